import { IncidentsRoom } from "@/ui/incidents/incidents-room";

export const metadata = { title: "What went wrong" };

export default function IncidentsPage() {
  return <IncidentsRoom />;
}
