import fc from "fast-check";
import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from "three";
import { MeshBVH } from "three-mesh-bvh";
import { describe, expect, it } from "vitest";
import type { PieceMesh } from "../piece/mesh";
import { createRandom } from "../random";
import type { SpacePoint } from "../surface/forms/form";
import { unit } from "../surface/vector";
import { Obstacles, waysOf } from "./obstacles";

const [LEAST_MM, FAR_MM] = [0.02, 20] as const;

/** A crumpled sheet with holes in it, about a place of the room. */
function crumpled(random: () => number, columns: number, rows: number): PieceMesh {
  const middle = [random(), random(), random()].map((share) => FAR_MM * (share - 0.5));
  const count = columns * rows;
  return {
    ...{ columns, rows, step: 1 },
    points: Float32Array.from({ length: count * 3 }, (_, at) => middle[at % 3]! + 8 * (random() - 0.5)),
    normals: new Float32Array(count * 3),
    holds: Uint8Array.from({ length: count }, (_, at) => {
      const [column, row] = [at % columns, Math.floor(at / columns)];
      return column < columns - 1 && row < rows - 1 && random() < 0.8 ? 2 : 0;
    }),
  };
}

/** What the library itself finds first, told by the corners in the order they came in. */
function isMet({ points, holds, columns }: PieceMesh, ray: Ray, nearMm: number): boolean {
  const corners = [...holds.keys()]
    .filter((at) => holds[at]! > 0)
    .flatMap((at) => [at, at + columns, at + 1, at + columns + 1, at + 1, at + columns]);
  if (corners.length === 0) return false;
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(points, 3));
  geometry.setIndex(corners);
  return new MeshBVH(geometry).raycastFirst(ray, DoubleSide, nearMm) !== null;
}

describe("rays among trees of triangles", () => {
  it("meet what the library's own search meets, from everywhere and every way", () => {
    let [met, free] = [0, 0];
    const sizes = fc.array(fc.tuple(fc.integer({ min: 2, max: 14 }), fc.integer({ min: 2, max: 14 })), {
      minLength: 1,
      maxLength: 4,
    });
    fc.assert(
      fc.property(fc.integer(), sizes, (seed, all) => {
        const stream = createRandom(seed);
        const random = () => stream.next();
        const meshes = all.map(([columns, rows]) => crumpled(random, columns, rows));
        const obstacles = new Obstacles(meshes);
        const [own, ownMm] = [Math.floor(random() * meshes.length), 1 + 4 * random()];
        for (let turn = 0; turn < 40; turn++) {
          const any = (most: number): SpacePoint => [
            most * (random() - 0.5),
            most * (random() - 0.5),
            most * (random() - 0.5),
          ];
          const from = any(FAR_MM);
          // Every third goes along an axis, as light from straight above does.
          const towards: SpacePoint = turn % 3 === 0 ? [0, turn % 2 ? 1 : -1, 0] : unit(any(2));
          const ray = new Ray(new Vector3(...from), new Vector3(...towards));
          const wanted = meshes.some((mesh, at) => isMet(mesh, ray, at === own ? ownMm : LEAST_MM));
          if (wanted) met++;
          else free++;
          if (obstacles.meets(from, towards, own, ownMm) !== wanted) return false;
        }
        return true;
      }),
      { numRuns: 60 },
    );
    expect(met).toBeGreaterThan(100);
    expect(free).toBeGreaterThan(100);
  });

  it("are told by the place's own axes, and counted", () => {
    // A wall behind the place, as wide as everything.
    const wall: PieceMesh = {
      ...{ columns: 2, rows: 2, step: 1 },
      points: new Float32Array([-99, 99, -5, 99, 99, -5, -99, -99, -5, 99, -99, -5]),
      normals: new Float32Array(12),
      holds: Uint8Array.of(2, 0, 0, 0),
    };
    const obstacles = new Obstacles([wall]);
    const ways = waysOf([
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
      [0, 0, -1],
    ]);
    // Turned: its right looks into the room, its out to the left.
    const frame = new Float64Array([0, 0, 0, 0, 0, 1, 0, -1, 0, -1, 0, 0]);
    expect(obstacles.countFree(frame, ways, 9, 0)).toBe(4);
    frame.set([0, 0, -1], 3);
    expect(obstacles.countFree(frame, ways, 9, 0)).toBe(3);
    // What stands beyond the end of the ways is in none of them.
    expect(obstacles.countFree(frame, ways, 9, 0, 4.9)).toBe(4);
    expect(obstacles.countFree(frame, ways, 9, 0, 5.1)).toBe(3);
    // Of the mesh the place lies on only what is far enough counts.
    expect(obstacles.countFree(frame, ways, 0, 6)).toBe(4);
    expect(() => obstacles.countFree(frame, new Float64Array(65 * 3), 9, 0)).toThrow(RangeError);
  });
});
