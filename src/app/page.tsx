import { BenchRoom } from "@/ui/bench/bench-room";

export default BenchRoom;
