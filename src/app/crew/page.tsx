import { PeopleRoom } from "@/ui/crew/people-room";

export const metadata = { title: "People" };

export default PeopleRoom;
