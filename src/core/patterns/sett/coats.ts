import { opticsOfMix } from "../../colour/appearance";
import { masstone } from "../../colour/film";
import { spectrumToLab } from "../../colour/spaces";
import { mixById, type Job, type Mix } from "../../job";
import type { FamilyContext, PatternCheck, PlannedCoat } from "../family";
import { solveHalfTone, solveOverpaint } from "./crossing";
import { keyOf, type SettPlace } from "./keys";
import type { SettLayout } from "./layout";
import { crossingKey, type SettParams } from "./params";
import { codesOf } from "./threadCount";

export type SettContext = FamilyContext<SettParams, SettLayout>;
export type SettCheck = PatternCheck<SettParams, SettLayout>;

/** Codes of the stripes of one axis that are broad enough to be boxes, each once. */
export const boxCodes = (axis: SettLayout["columns"]) => [...new Set(axis.boxes.map((box) => box.code))];
/** Codes of the stripes that are painted as lines, each once. */
export const lineCodes = (layout: SettLayout) => [
  ...new Set([...layout.columns.lines, ...layout.rows.lines].map((line) => line.code)),
];

/** Pairs of unlike broad codes that meet, each once. */
export function crossingsOf(layout: SettLayout): [string, string][] {
  const seen = new Map<string, [string, string]>();
  for (const column of boxCodes(layout.columns)) {
    for (const row of boxCodes(layout.rows)) {
      if (column !== row) seen.set(crossingKey(column, row), column < row ? [column, row] : [row, column]);
    }
  }
  return [...seen.values()];
}

const lightness = ({ job, paints }: SettContext, mixId: string) =>
  spectrumToLab(masstone(opticsOfMix(mixById(job, mixId), paints)))[0];

/** Every code of the cloth gets a mix, every crossing its half-tone. */
export function completeSett(context: SettContext): Job {
  const { job, surface, paints, params, layout } = context;
  const mixes: Mix[] = [...job.mixes];
  const exists = (id: string | undefined) => id !== undefined && mixes.some((mix) => mix.id === id);
  const colours = { ...params.colours };
  for (const code of [...codesOf(layout.columns.sett), ...codesOf(layout.rows.sett)]) {
    if (!exists(colours[code])) colours[code] = mixes[0]?.id ?? "";
  }
  const made = { ...params.crossings };
  for (const [a, b] of params.method === "boxes" ? crossingsOf(layout) : []) {
    const key = crossingKey(a, b);
    if (exists(made[key])) continue;
    const id = `half-tone-${surface.id}-${key.toLowerCase()}`;
    const parts = solveHalfTone(job, paints, colours[a]!, colours[b]!);
    // One that is still there from other stripes is mixed anew: a half-tone is of the stripes it stands between.
    const at = mixes.findIndex((mix) => mix.id === id);
    const mix = { id, name: `Half-tone ${a} × ${b}`, parts, water: 1, goal: null };
    if (at < 0) mixes.push(mix);
    else mixes[at] = { ...mixes[at]!, parts, goal: null };
    made[key] = id;
  }
  const same =
    mixes.length === job.mixes.length &&
    mixes.every((mix, at) => mix === job.mixes[at]) &&
    JSON.stringify([colours, made]) === JSON.stringify([params.colours, params.crossings]);
  if (same) return job;
  const pattern = { ...surface.pattern!, params: { ...params, colours, crossings: made } };
  return {
    ...job,
    mixes,
    surfaces: job.surfaces.map((one) => (one.id === surface.id ? { ...one, pattern } : one)),
  };
}

const to = (place: SettPlace) => ({ kind: "pattern" as const, key: keyOf(place) });
const use = (id: string, params: Record<string, number> = {}) => ({ id, version: 1, params });
const nameOf = (context: SettContext, mixId: string) => mixById(context.job, mixId)?.name ?? "Mix";

/** Boxes by tone, lightest first: a darker box corrects the edge of a lighter one. */
function boxCoats(context: SettContext, layout: SettLayout): PlannedCoat[] {
  const { params } = context;
  const shared = boxCodes(layout.columns).filter((code) => boxCodes(layout.rows).includes(code));
  const solids = shared.map((code) => ({ column: code, row: code, mixId: params.colours[code] ?? "" }));
  const halves = crossingsOf(layout).map(([a, b]) => ({
    column: a,
    row: b,
    mixId: params.crossings[crossingKey(a, b)] ?? params.colours[a] ?? "",
  }));
  return [...solids, ...halves]
    .map((tone) => ({ ...tone, light: lightness(context, tone.mixId) }))
    .sort((a, b) => b.light - a.light)
    .map(({ column, row, mixId }) => ({
      role: `boxes:${column}:${row}`,
      name: column === row ? `${nameOf(context, mixId)} boxes` : nameOf(context, mixId),
      technique: use("fill"),
      place: to({ kind: "boxes", column, row }),
      mixId,
      water: 1,
      passes: 2,
    }));
}

/** Rows opaque, then columns thinned so far that a crossing shows both. */
function bandCoats(context: SettContext, layout: SettLayout): PlannedCoat[] {
  const { params } = context;
  const rows = boxCodes(layout.rows).map((code) => ({
    role: `rows:${code}`,
    name: `${nameOf(context, params.colours[code] ?? "")} rows`,
    technique: use("fill"),
    place: to({ kind: "bands", along: "rows", code }),
    mixId: params.colours[code] ?? "",
    water: 1,
    passes: 2,
  }));
  const columns = boxCodes(layout.columns).map((code) => {
    const others = boxCodes(layout.rows).filter((row) => row !== code);
    const over = solveOverpaint(
      context.job,
      context.paints,
      params.colours[others[0] ?? code],
      params.colours[code],
    );
    return {
      role: `columns:${code}`,
      name: `${nameOf(context, params.colours[code] ?? "")} columns`,
      technique: use("fill"),
      place: to({ kind: "bands", along: "columns", code }),
      mixId: params.colours[code] ?? "",
      water: over.water,
      passes: over.passes,
    };
  });
  const byLight = <T extends { mixId: string }>(list: T[]) =>
    [...list].sort((a, b) => lightness(context, b.mixId) - lightness(context, a.mixId));
  return [...byLight(rows), ...byLight(columns)];
}

/** Lines over the boxes, dark ones first so that light ones lie on top; then the solid crossings. */
function lineCoats(context: SettContext, layout: SettLayout): PlannedCoat[] {
  const { params } = context;
  const codes = lineCodes(layout)
    .map((code) => ({ code, mixId: params.colours[code] ?? "" }))
    .sort((a, b) => lightness(context, a.mixId) - lightness(context, b.mixId));
  const lines = codes.map(({ code, mixId }) => ({
    role: `lines:${code}`,
    name: `${nameOf(context, mixId)} lines`,
    technique: use("line"),
    place: to({ kind: "lines", along: "both", code }),
    mixId,
    water: 1,
    passes: 2,
  }));
  const dots = codes
    .filter(({ code }) =>
      [layout.columns, layout.rows].every((axis) => axis.lines.some((line) => line.code === code)),
    )
    .map(({ code, mixId }) => ({
      role: `dots:${code}`,
      name: `${nameOf(context, mixId)} dots`,
      technique: use("dot"),
      place: to({ kind: "dots", code }),
      mixId,
      water: 0.5,
      passes: 1,
    }));
  return [...lines, ...dots];
}

/** The coats of a check cloth: base, guides, boxes or bands, lines, dots, fold glaze. */
export function settCoats(context: SettContext): PlannedCoat[] {
  const { params, layout } = context;
  const everywhere = { kind: "everywhere" as const };
  const base = {
    role: "base",
    name: "Base",
    technique: use("base-coat"),
    place: everywhere,
    mixId: params.baseMixId,
    water: 1,
    passes: 2,
  };
  const guides = {
    role: "guides",
    name: "Guides",
    technique: use("line"),
    place: to({ kind: "guides" }),
    mixId: params.guideMixId,
    water: 3,
    passes: 1,
  };
  const fills = params.method === "boxes" ? boxCoats(context, layout) : bandCoats(context, layout);
  const glaze =
    params.glazeMixId === null
      ? []
      : [
          {
            role: "glaze",
            name: "Fold glaze",
            technique: use("glaze"),
            place: { kind: "hollows" as const },
            mixId: params.glazeMixId,
            water: 5,
            passes: 1,
          },
        ];
  return [base, guides, ...fills, ...lineCoats(context, layout), ...glaze];
}
