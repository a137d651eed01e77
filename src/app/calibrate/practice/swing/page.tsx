import { SwingRoom } from "@/ui/practice/swing-room";

export const metadata = { title: "Swing and swath" };

export default SwingRoom;
