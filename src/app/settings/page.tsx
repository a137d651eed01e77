import { SettingsRoom } from "@/ui/settings/settings-room";

export const metadata = { title: "Settings" };

export default SettingsRoom;
