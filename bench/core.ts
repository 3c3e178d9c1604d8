import { filmTable } from "../src/core/colour/film";
import { paintOptics, primerSpectrum } from "../src/core/colour/appearance";
import { standPiece } from "../src/core/piece/standing";
import { drawPiece } from "../src/core/piece/still";
import { buildForm } from "../src/core/surface/forms/buildForm";
import { createRandom } from "../src/core/random";
import { startKernel } from "../src/core/simulate/compositor";
import { Simulator, type SpecimenRequest } from "../src/core/simulate/simulator";
import { layCoat, marksOf } from "../src/core/simulate/layCoat";
import { createFilmBuffer } from "../src/core/techniques/technique";
import { packFilm } from "../src/core/simulate/planes";
import { techniqueIds, techniques } from "../src/core/techniques";
import { fieldsOf } from "../src/core/surface/fields";
import { buildGrid } from "../src/core/surface/grid";
import { demoShelf } from "../src/data/demo/shelf";
import { figureLines } from "./figures";
import { formLines } from "./forms";
import { megapixelSkirt } from "./jobs";
import { middle, print, sideBySide, type Line } from "./measure";
import { benchMixes } from "./mixes";
import { patternLines } from "./patterns";
import { middleAtPace, sharpLaying, takePace } from "./pace";

const always = () => Promise.resolve(true);
const kernel = await startKernel();

/** Films that cover everything, with thickness that changes from cell to cell. */
function films(cells: number, count: number) {
  const random = createRandom(4);
  return Array.from({ length: count }, (_, at) => {
    const buffer = createFilmBuffer(cells);
    for (let cell = 0; cell < cells; cell++) {
      buffer.cover[cell] = 1;
      buffer.volumeUm[cell] = 4 + 10 * random.next();
    }
    const film = packFilm(buffer, cells);
    return { film, table: filmTable(paintOptics(demoShelf[at % 12]!), film.maxUm) };
  });
}

function optics(size: number, count: number): () => unknown {
  const cells = size * size;
  const input = {
    ground: primerSpectrum("grey"),
    coats: films(cells, count),
    inside: new Float32Array(cells).fill(1),
    shade: null,
  };
  const out = new Uint8ClampedArray(cells * 4);
  return () => kernel(input, out);
}

async function skirt(): Promise<Line[]> {
  const job = megapixelSkirt();
  const request: SpecimenRequest = {
    job,
    paints: demoShelf,
    surfaceId: "coat-skirt",
    upTo: null,
    lit: false,
  };
  let simulator = new Simulator(kernel);
  const show = async (of: SpecimenRequest, preview: boolean) =>
    simulator.picture(of, (await simulator.lay(of, preview, always))!);
  const { width, height } = await show(request, false);
  console.log(
    `The demo skirt: ${width} x ${height} = ${((width * height) / 1e6).toFixed(2)} megapixels, ${job.surfaces[0]!.coats.length} coats`,
  );
  const open = await middle(3, async () => {
    simulator = new Simulator(kernel);
    await show(request, true);
    await show(request, false);
  });
  let seed = 1;
  const edited = () => {
    seed++;
    const surface = job.surfaces[0]!;
    const coats = surface.coats.map((coat) => (coat.role === "lines:D" ? { ...coat, seed } : coat));
    return { ...request, job: { ...job, surfaces: [{ ...surface, coats }] } };
  };
  const preview = await middle(7, () => show(edited(), true));
  const full = await middle(7, () => show(edited(), false));
  const last = await middle(5, () => {
    seed++;
    const surface = job.surfaces[0]!;
    const coats = surface.coats.map((coat, at) =>
      at === surface.coats.length - 1 ? { ...coat, seed } : coat,
    );
    return show({ ...request, job: { ...job, surfaces: [{ ...surface, coats }] } }, false);
  });
  const whole = await middle(3, async () => {
    simulator = new Simulator(kernel);
    await show(request, false);
  });
  const laid = (await simulator.lay(request, false, always))!;
  const view = { turnDeg: 0, tiltDeg: null, pxPerMm: 100, mostPx: 520 };
  const still = await middle(3, () => drawPiece(simulator.skin({ ...request, lit: true }, laid), view));
  const standing = await middle(3, () => standPiece(simulator.skin({ ...request, lit: true }, laid)));
  return [
    {
      name: "Last coat changed, full picture",
      ms: last,
      ratio: { to: "the whole laid anew", value: last / whole, allowed: 0.2 },
    },
    { name: "Demo skirt opened, preview and full picture, nothing remembered", ms: open, budget: 1500 },
    { name: "One coat changed, preview", ms: preview, budget: 100 },
    { name: "One coat changed, full picture", ms: full, budget: 500 },
    { name: "Still picture of it on its form, 520 pixels", ms: still, budget: 400 },
    { name: "Made ready to be drawn in space by the page", ms: standing, budget: 400 },
  ];
}

async function layers(): Promise<Line[]> {
  const job = megapixelSkirt();
  const surface = job.surfaces[0]!;
  const form = buildForm(surface);
  const fields = await middleAtPace(3, () => buildGrid(form, 0.04));
  const grid = buildGrid(form, 0.04);
  const buffer = createFilmBuffer(grid.inside.length);
  const insideSum = grid.inside.reduce((sum, share) => sum + share, 0);
  const lines: Line[] = [{ name: "Fields of a new surface, 1 megapixel", ...fields, budget: 600 }];
  for (const role of ["base", "boxes:D:D", "boxes:D:S", "lines:D", "dots:D", "glaze"]) {
    const coat = surface.coats.find((one) => one.role === role)!;
    const film = await middleAtPace(3, () =>
      layCoat(
        marksOf(job, surface, form, coat, () => grid),
        coat,
        job.hand,
        { grid, films: [], near: null },
        buffer,
        insideSum,
      ),
    );
    lines.push({ name: `Film of ${coat.technique.id} (${coat.name}), 1 megapixel`, ...film, budget: 250 });
  }
  return lines;
}

/** Techniques that follow the relief, on a creased sleeve of a megapixel; fields are made first, as they are kept. */
async function fieldCoats(): Promise<Line[]> {
  const job = megapixelSkirt();
  const sizes = { roundMm: 40, lengthMm: 25, creases: 6, creaseMm: 0.4 };
  const surface = {
    ...job.surfaces[0]!,
    pattern: null,
    form: { id: "limb", version: 1, params: sizes },
  };
  const form = buildForm(surface);
  const grid = buildGrid(form, 0.031);
  const insideSum = grid.inside.reduce((sum, share) => sum + share, 0);
  const buffer = createFilmBuffer(grid.inside.length);
  // What follows from a relief is kept with it: another of the same heights has nothing yet.
  const anew = () => fieldsOf({ ...grid, relief: grid.relief.slice() });
  const fields = await middleAtPace(3, () => {
    const fresh = anew();
    return [fresh.edge, fresh.lit, fresh.hollow(0), fresh.hollow(1), fresh.hollow(2), fresh.along];
  });
  const sky = await middleAtPace(3, () => anew().sky);
  const lines: Line[] = [
    { name: "Edges, light with cast shade, hollows at three scales, 1 megapixel", ...fields, budget: 600 },
    { name: "Open sky, 1 megapixel", ...sky, budget: 600 },
  ];
  const settles = ["wash", "pin-wash", "powder"];
  for (const id of techniqueIds.filter((one) => techniques[one].lays.includes("field"))) {
    const coat = {
      ...job.surfaces[0]!.coats[0]!,
      technique: { id, version: 1, params: {} },
      place: techniques[id].startPlace ?? ({ kind: "everywhere" } as const),
    };
    const film = await middleAtPace(3, () =>
      layCoat(
        marksOf(job, surface, form, coat, () => grid),
        coat,
        job.hand,
        { grid, films: [], near: null },
        buffer,
        insideSum,
      ),
    );
    lines.push({ name: `Film of ${id}, 1 megapixel`, ...film, budget: settles.includes(id) ? 600 : 250 });
  }
  return lines;
}

export async function benchCore(): Promise<void> {
  console.log("\nFilm optics");
  const { anchorMs, ownMs, ratio } = await sideBySide(7, sharpLaying(1024, 16), optics(1024, 16));
  print([
    { name: "sharp lays 16 RGBA pictures of 1024 x 1024, one core", ms: anchorMs },
    {
      name: "16 coats on 1024 x 1024, all covered, one core",
      ms: ownMs,
      ratio: { to: "sharp", value: ratio, allowed: 0.8 },
    },
  ]);
  const whole = optics(1024, 16);
  const quarter = await sideBySide(5, whole, optics(512, 16));
  const eight = await sideBySide(5, whole, optics(1024, 8));
  print([
    {
      name: "16 coats on a quarter of the pixels",
      ms: quarter.ownMs,
      ratio: { to: "the whole", value: quarter.ratio, allowed: 0.35 },
    },
    {
      name: "8 coats on all of them",
      ms: eight.ownMs,
      ratio: { to: "16 coats", value: eight.ratio, allowed: 0.65 },
    },
  ]);
  console.log("\nThe simulator");
  for (const part of [skirt, figureLines, layers, fieldCoats, formLines, patternLines]) {
    const pace = await takePace();
    print(await part(), pace);
  }
  console.log("\nMixes");
  await benchMixes(await takePace());
}
