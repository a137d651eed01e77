import { LessonsRoom } from "@/ui/practice/lessons-room";

export const metadata = { title: "Lessons" };

export default LessonsRoom;
