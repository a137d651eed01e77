import { CountdownRoom } from "@/ui/practice/countdown-room";

export const metadata = { title: "Countdown" };

export default CountdownRoom;
