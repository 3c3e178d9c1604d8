import { mkdirSync } from "node:fs";
import { newJob, newPlainSurface } from "../../src/core/newJob";
import { defaultPainter } from "../../src/core/painter";
import { planStart, startSurface } from "../../src/core/schemes/start";
import { schemes, type SchemeId } from "../../src/core/schemes";
import type { Job } from "../../src/core/job";
import type { FormId } from "../../src/core/surface/forms";
import { demoShelf } from "../../src/data/demo/shelf";
import { surfacePng, writeSheet } from "./draw";
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
  piece("Glove, scrubbed and washed", "glove", {}, "leather-scrubbed", { age: "used", look: "plain" }),
  piece("Cape, stippled wool", "cloak", {}, "wool-stippled", { age: "used", look: "plain" }),
  piece("Cloak, scratch-woven cloth, old", "cloak", {}, "cloth-scratched", { age: "old", look: "plain" }),
  piece("Cloak, velvet", "cloak", {}, "velvet", { age: "new", look: "plain" }),
  piece("Sleeve, plain cloth, quiet", "limb", {}, "cloth-quiet", { age: "used", look: "quiet" }),
];

const cells = [];
for (const { name, job } of materials) {
  const png = await surfacePng(job, demoShelf, job.surfaces[0]!.id, { width: 620, height: 380 });
  cells.push({ name, png });
}
await writeSheet(`${folder}/materials.png`, cells, { columns: 2, width: 620, height: 380 });

const size = { width: 300, height: 200 };
await writeSheet(`${folder}/techniques.png`, await techniquePictures(blank, demoShelf, size), {
  columns: 4,
  ...size,
});
