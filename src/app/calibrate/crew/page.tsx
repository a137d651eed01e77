import { CrewRoom } from "@/ui/crew/crew-room";

export const metadata = { title: "Crew" };

export default CrewRoom;
