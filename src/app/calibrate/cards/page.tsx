import { CardsRoom } from "@/ui/cards/cards-room";

export const metadata = { title: "Coverage cards" };

export default CardsRoom;
