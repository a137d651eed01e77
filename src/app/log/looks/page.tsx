import { LooksRoom } from "@/ui/looks/looks-room";

export const metadata = { title: "Before and after" };

export default LooksRoom;
