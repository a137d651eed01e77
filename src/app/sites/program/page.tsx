import { ProgramRoom } from "@/ui/program/program-room";

export const metadata = { title: "Program" };

export default ProgramRoom;
