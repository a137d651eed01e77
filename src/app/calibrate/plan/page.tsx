import { PlanRoom } from "@/ui/plan/plan-room";

export const metadata = { title: "Plan" };

export default PlanRoom;
