import { SitesRoom } from "@/ui/sites/sites-room";

export const metadata = { title: "Sites" };

export default SitesRoom;
