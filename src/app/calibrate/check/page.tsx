import { CheckRoom } from "@/ui/check/check-room";

export const metadata = { title: "Quick check" };

export default CheckRoom;
