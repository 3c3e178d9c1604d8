import { cross, minus, unit } from "../vector";
import type { FlatPoint, Place, SpacePoint } from "./form";

/** Places at which stretching is measured: across and along. */
const [ACROSS, ALONG] = [36, 24] as const;
const WAYS = [
  [1, 0],
  [0, 1],
  [1, 1],
  [1, -1],
] as const;

/** What is laid flat: how it lies in space without its relief, on the flat, and how far it reaches. */
interface Laid {
  readonly plain: (place: Place) => SpacePoint;
  readonly flatten: (place: Place) => FlatPoint;
  readonly turnDeg: number;
  readonly lengthMm: number;
}

/** The most that a length in space differs from that on the flat, as a ratio: short ways across, along and aslant. */
export function mostStretched({ plain, flatten, turnDeg, lengthMm }: Laid): number {
  let most = 1;
  const step = [turnDeg / 720, lengthMm / 400] as const;
  for (let row = 1; row < ALONG; row++) {
    for (let column = 1; column < ACROSS; column++) {
      const from = { turnDeg: (column / ACROSS) * turnDeg, heightMm: (row / ALONG) * lengthMm };
      const [flatFrom, spaceFrom] = [flatten(from), plain(from)];
      for (const [across, along] of WAYS) {
        const to = {
          turnDeg: from.turnDeg + across * step[0],
          heightMm: from.heightMm + along * step[1],
        };
        const flatTo = flatten(to);
        const flat = Math.hypot(flatTo[0] - flatFrom[0], flatTo[1] - flatFrom[1]);
        const space = Math.hypot(...minus(plain(to), spaceFrom));
        if (flat > 1e-9 && space > 1e-9) most = Math.max(most, flat / space, space / flat);
      }
    }
  }
  return most;
}

/** Over what directions are taken: degrees of turn, and a share of the length. */
const [NEAR_DEG, NEAR] = [2.5, 1 / 128] as const;

/** Unit normals of a surface whose turn runs to the right as seen from outside: at right angles to two ways on it. */
export function normalsFrom(
  plain: (place: Place) => SpacePoint,
  lengthMm: number,
): (place: Place) => SpacePoint {
  const near = NEAR * lengthMm;
  return ({ turnDeg, heightMm }) => {
    const [low, high] = [Math.max(0, heightMm - near), Math.min(lengthMm, heightMm + near)];
    const across = minus(
      plain({ turnDeg: turnDeg + NEAR_DEG, heightMm }),
      plain({ turnDeg: turnDeg - NEAR_DEG, heightMm }),
    );
    const up = minus(plain({ turnDeg, heightMm: high }), plain({ turnDeg, heightMm: low }));
    return unit(cross(across, up));
  };
}
