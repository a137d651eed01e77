import { PatternRoom } from "@/ui/pattern/pattern-room";

export const metadata = { title: "Swath" };

export default PatternRoom;
