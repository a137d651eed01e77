import { PaceRoom } from "@/ui/practice/pace-room";

export const metadata = { title: "Pace" };

export default PaceRoom;
