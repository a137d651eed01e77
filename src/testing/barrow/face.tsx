import type { RigFace } from "@/rig-kinds/face";

export const barrow: RigFace = { word: "Barrow", drawing: () => <path data-testid="barrow" d="M0 0 h9" /> };
