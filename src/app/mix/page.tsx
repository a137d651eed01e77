import { MixRoom } from "@/ui/mix/mix-room";

export const metadata = { title: "Mix" };

export default MixRoom;
