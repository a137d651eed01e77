import { AllRoom } from "@/ui/frame/all-room";

export const metadata = { title: "All pages" };

export default AllRoom;
