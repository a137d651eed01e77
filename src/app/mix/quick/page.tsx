import { QuickRoom } from "@/ui/quick/quick-room";

export const metadata = { title: "A mix on one page" };

export default QuickRoom;
