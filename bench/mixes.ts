import { paintOptics } from "../src/core/colour/appearance";
import { MixTable } from "../src/core/colour/mixtable/mixTable";
import { tryAllMixes } from "../src/core/colour/search";
import type { SeenAs } from "../src/core/colour/seenAs";
import { hexToLab } from "../src/core/colour/spaces";
import type { Paint } from "../src/core/job";
import { createRandom } from "../src/core/random";
import { demoShelf } from "../src/data/demo/shelf";
import { middle, print } from "./measure";

const MOST_PARTS = 6;

/** A shelf of pots of colours all over sRGB, the hardest to search: nothing is out of the way of anything. */
function pots(count: number): Paint[] {
  const random = createRandom(3);
  const channel = () => Math.floor(random.range(20, 240)).toString(16).padStart(2, "0");
  return Array.from({ length: count }, (_, at) => ({
    ...demoShelf[0]!,
    id: `pot-${at}`,
    thick: `#${channel()}${channel()}${channel()}`,
    hiding: random.next() < 0.5 ? "opaque" : "semi",
    strength: random.range(0.5, 2),
  }));
}

/** Goals all over sRGB, corners of the cube among them, which no paint reaches. */
function goals(): string[] {
  const random = createRandom(8);
  const any = Array.from(
    { length: 60 },
    () =>
      `#${Math.floor(random.next() * 0xffffff)
        .toString(16)
        .padStart(6, "0")}`,
  );
  return [...any, "#ff0000", "#00ff00", "#0000ff", "#ffff00", "#000000", "#ffffff"];
}

/** Table and answers over 60 pots, three at a time; against trying every mix for one question. */
export async function benchMixes(pace: number): Promise<void> {
  const shelf = pots(60);
  const glaze = paintOptics(demoShelf.find((paint) => paint.name === "Clear Umber")!);
  const ways: [string, SeenAs][] = [
    ["thick", { kind: "thick" }],
    ["through a glaze", { kind: "under", optics: glaze, filmUm: 6 }],
  ];
  for (const [name, seen] of ways) {
    const options = { mostParts: MOST_PARTS, seen };
    const build = await middle(3, () => MixTable.build(shelf, options));
    const table = (await MixTable.build(shelf, options))!;
    const times: number[] = [];
    for (const goal of goals().map(hexToLab)) times.push(await middle(3, () => table.nearest(goal, 6)));
    times.sort((a, b) => a - b);
    print(
      [
        { name: `Table of ${table.mixes} mixes of up to 3 of 60 pots, ${name}`, ms: build, budget: 1000 },
        {
          name: `An answer, middle of ${times.length} goals, ${name}`,
          ms: times[times.length >> 1]!,
          budget: 20,
        },
        { name: `An answer, slowest, ${name}`, ms: times.at(-1)!, budget: 20 },
      ],
      pace,
    );
  }
  const few = shelf.slice(0, 12);
  const small = (await MixTable.build(few, { mostParts: MOST_PARTS, seen: { kind: "thick" } }))!;
  const goal = hexToLab("#6f7d5a");
  const plain = await middle(1, () => tryAllMixes(few, goal, { mostParts: MOST_PARTS, pots: 3, keep: 6 }));
  const asked = await middle(5, () => small.nearest(goal, 6));
  print([
    { name: "12 pots, every mix tried", ms: plain },
    {
      name: "12 pots, from the table",
      ms: asked,
      ratio: { to: "trying every mix", value: asked / plain, allowed: 0.05 },
    },
  ]);
}
