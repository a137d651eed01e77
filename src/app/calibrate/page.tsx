import { CalibrateRoom } from "@/ui/calibrate/calibrate-room";

export const metadata = { title: "Calibrate" };

export default CalibrateRoom;
