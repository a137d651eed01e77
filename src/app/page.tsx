import { TodayRoom } from "@/ui/today/today-room";

export default TodayRoom;
