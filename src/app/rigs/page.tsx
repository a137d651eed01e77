import { RigsRoom } from "@/ui/rigs/rigs-room";

export const metadata = { title: "Rigs" };

export default RigsRoom;
