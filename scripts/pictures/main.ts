import { mkdirSync } from "node:fs";
import { newJob, newPlainSurface } from "../../src/core/newJob";
import { defaultPainter } from "../../src/core/painter";
import { planStart, startSurface } from "../../src/core/schemes/start";
import { schemes, type SchemeId } from "../../src/core/schemes";
import type { Job } from "../../src/core/job";
import type { FormId } from "../../src/core/surface/forms";
import { putPattern, withParams } from "../../src/core/edits/patterns";
import { withSurface } from "../../src/core/edits/surfaces";
import { deriveCoats } from "../../src/core/patterns/derive";
import { presets, startFrom, type Preset } from "../../src/core/patterns/camouflage/presets";
import { demoJobs } from "../../src/data/demo/company";
import { demoShelf } from "../../src/data/demo/shelf";
import { surfacePng, writeSheet } from "./draw";
import { basePictures } from "./bases";
import { figurePictures } from "./figures";
import { formPictures } from "./forms";
import { patchedPictures, skinPictures } from "./coatsOfBeasts";
import { hidePictures } from "./hides";
import { lightPictures } from "./lights";
import { masonryPictures } from "./masonry";
import { weatheredPictures } from "./weathered";
import { techniquePictures } from "./techniques";

const folder = process.env.CRENNA_PICTURES ?? "docs/pictures";
mkdirSync(folder, { recursive: true });

const blank: Job = { ...newJob("pictures", "Pictures", defaultPainter, demoShelf), surfaces: [] };

/** One piece started from a scheme. */
function piece(
  name: string,
  formId: FormId,
  params: Record<string, number>,
  schemeId: SchemeId,
  answers: { age: "new" | "used" | "old"; look: "quiet" | "plain" | "striking"; colour?: string },
): { name: string; job: Job } {
  const plain = newPlainSurface(`${formId}-piece`, name, formId, []);
  const surface = { ...plain, form: { ...plain.form, params: { ...plain.form.params, ...params } } };
  const job = { ...blank, mixes: [], surfaces: [surface] };
  const scheme = schemes[schemeId];
  const plan = planStart(
    job,
    surface,
    scheme,
    { ...answers, colour: answers.colour ?? scheme.startColour },
    demoShelf,
  );
  return { name, job: startSurface(job, surface.id, plan) };
}

/** Of a hound, smooth, closed at both ends, and lying. */
const HOUND_BODY = {
  ...{ lowerMm: 22, middleMm: 31, upperMm: 28, lengthMm: 24, middleAt: 68, deepPct: 120 },
  ...{ lowerRound: 24, upperRound: 30, muscles: 2, muscleMm: 0.35, spineMm: 0 },
} as const;

const materials = [
  piece(
    "Strap, stippled and glazed leather, used",
    "strap",
    { lengthMm: 22, widthMm: 3.6, bends: 3 },
    "leather-stippled",
    { age: "used", look: "plain" },
  ),
  piece(
    "Strap, scrubbed and washed leather, old",
    "strap",
    { lengthMm: 22, widthMm: 3.6, bends: 3 },
    "leather-scrubbed",
    { age: "old", look: "plain" },
  ),
  piece("Satchel, stippled and glazed, striking", "bag", {}, "leather-stippled", {
    age: "used",
    look: "striking",
    colour: "#7a4a28",
  }),
  piece("Glove, scrubbed and washed", "hand", {}, "leather-scrubbed", { age: "used", look: "plain" }),
  piece("Cape, stippled wool", "cloak", {}, "wool-stippled", { age: "used", look: "plain" }),
  piece("Cloak, scratch-woven cloth, old", "cloak", {}, "cloth-scratched", { age: "old", look: "plain" }),
  piece("Cloak, velvet", "cloak", {}, "velvet", { age: "new", look: "plain" }),
  piece("Sleeve, plain cloth, quiet", "sleeve", {}, "cloth-quiet", { age: "used", look: "quiet" }),
  piece("Helmet, smooth shell, striking", "helmet", {}, "shell-layered", { age: "used", look: "striking" }),
  piece("Beast's body, short hair overlapped", "trunk", HOUND_BODY, "hair-overlapped", {
    age: "used",
    look: "plain",
  }),
  piece("Beast's body, short hair kept apart", "trunk", HOUND_BODY, "hair-apart", {
    age: "used",
    look: "plain",
  }),
  piece("Horn in zones", "horn", {}, "horn-zones", { age: "new", look: "plain" }),
];

/** The presets of the camouflage on a cloak, a sleeve and a helmet. */
function camouflaged(preset: Preset, name: string, formId: FormId, params: Record<string, number>): Job {
  const plain = newPlainSurface(`${formId}-${preset.id}`, name, formId, []);
  const surface = {
    ...plain,
    form: { ...plain.form, params: { ...plain.form.params, ...params } },
    seed: 42,
  };
  const job = {
    ...blank,
    figures: [
      { ...blank.figures[0]!, eyeHeightMm: 32, standard: "display" as const, primer: "grey" as const },
    ],
    hand: { finestLineMm: 0.12, steadiness01: 0.7 },
    mixes: [],
    surfaces: [surface],
  };
  const put = putPattern(job, surface.id, "camouflage", demoShelf);
  const start = startFrom(preset, job.figures[0]!, job.hand.finestLineMm, 7);
  const changed = withSurface({ ...put, mixes: [] }, surface.id, (now) => withParams(now, () => start));
  return deriveCoats(changed, demoShelf, null);
}

const pieces: readonly (readonly [FormId, string, Record<string, number>])[] = [
  ["cloak", "cloak", { hemMm: 34, neckMm: 12, lengthMm: 22, folds: 7, foldMm: 1.2, torn: 1, seams: 3 }],
  ["sleeve", "sleeve", { creases: 5, creaseMm: 0.45 }],
  ["helmet", "helmet", {}],
];
const camouflageCells = [];
for (const preset of presets)
  for (const [formId, word, params] of pieces) {
    const name = `${preset.label}, ${word}`;
    const job = camouflaged(preset, name, formId, params);
    const png = await surfacePng(job, demoShelf, job.surfaces[0]!.id, { width: 520, height: 360 });
    camouflageCells.push({ name, png });
  }
await writeSheet(`${folder}/camouflage.png`, camouflageCells, { columns: 3, width: 520, height: 360 });

const cells = [];
for (const { name, job } of materials) {
  const png = await surfacePng(job, demoShelf, job.surfaces[0]!.id, { width: 620, height: 380 });
  cells.push({ name, png });
}
await writeSheet(`${folder}/materials.png`, cells, { columns: 2, width: 620, height: 380 });

const wide = { width: 620, height: 420 };
await writeSheet(`${folder}/hides.png`, await hidePictures(blank, demoShelf, wide), { columns: 2, ...wide });

await writeSheet(`${folder}/weathered.png`, await weatheredPictures(blank, demoShelf, wide), {
  columns: 2,
  ...wide,
});

await writeSheet(`${folder}/lights.png`, await lightPictures(blank, demoShelf, wide), {
  columns: 2,
  ...wide,
});

await writeSheet(`${folder}/masonry.png`, await masonryPictures(blank, demoShelf, wide), {
  columns: 2,
  ...wide,
});

await writeSheet(`${folder}/bases.png`, await basePictures(demoShelf, wide), { columns: 2, ...wide });

const tall = { width: 300, height: 620 };
await writeSheet(`${folder}/patched.png`, await patchedPictures(blank, demoShelf, HOUND_BODY, tall), {
  columns: 5,
  ...tall,
});
const square = { width: 480, height: 420 };
await writeSheet(`${folder}/skin.png`, await skinPictures(blank, demoShelf, square), {
  columns: 3,
  ...square,
});

const tile = { width: 300, height: 300 };
await writeSheet(`${folder}/forms.png`, await formPictures("public/forms", tile), { columns: 4, ...tile });

const size = { width: 300, height: 200 };
await writeSheet(`${folder}/techniques.png`, await techniquePictures(blank, demoShelf, size), {
  columns: 4,
  ...size,
});

const whole = { width: 460, height: 520 };
await writeSheet(`${folder}/figures.png`, await figurePictures(demoJobs(), demoShelf, whole), {
  columns: 3,
  ...whole,
});
