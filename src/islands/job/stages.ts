export const STAGES = ["brief", "palette", "coats", "check", "bench", "log"] as const;
export type Stage = (typeof STAGES)[number];
export const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  brief: "Brief",
  palette: "Palette",
  coats: "Coats",
  check: "Check",
  bench: "Bench",
  log: "Log",
};
export const isStage = (text: string): text is Stage => (STAGES as readonly string[]).includes(text);
