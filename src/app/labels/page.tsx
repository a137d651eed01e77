import { LabelsRoom } from "@/ui/labels/labels-room";

export const metadata = { title: "Labels" };

export default LabelsRoom;
