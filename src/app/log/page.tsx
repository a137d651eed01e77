import { LogRoom } from "@/ui/log/log-room";

export const metadata = { title: "Log" };

export default LogRoom;
