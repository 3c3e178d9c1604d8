import { chromaOf } from "../../colour/spaces";
import type { HueShare, PartLook } from "./looks";

/** How a figure's painted parts share out between opposites, each 0…1 of what is painted. */
export interface Balance {
  /** L* below 35, between, above 65, by the parts' means and spreads. */
  readonly dark: number;
  readonly middle: number;
  readonly light: number;
  /** Hues from red over yellow, and from green over blue; the rest is grey. */
  readonly warm: number;
  readonly cold: number;
  /** Parts busier than usual, and quieter. */
  readonly busy: number;
  readonly quiet: number;
}

/** A colour of one part, and the other parts that show it too. */
export interface Echo {
  readonly surfaceId: string;
  readonly hue: HueShare;
  readonly with: readonly string[];
}

/** Busy and quiet begin at these standard deviations of L*. */
export const [QUIET_BELOW, BUSY_FROM] = [2, 4] as const;
/** Hues from pink (330°) over red and yellow to 110° count as warm. */
const [WARM_FROM, WARM_TO] = [330, 110] as const;
/** A hue must be so much of a part to count, and so much of another to be found again there, within so many degrees. */
const [OWN_SHARE, ECHO_SHARE, ECHO_DEG] = [0.2, 0.03, 24] as const;
/** Below this chroma a colour asks for no echo. */
const VIVID = 20;

const isWarm = (deg: number): boolean => deg >= WARM_FROM || deg < WARM_TO;

/** How light and dark, warm and cold, busy and quiet share out. */
export function balanceOf(looks: readonly PartLook[]): Balance {
  const share = (of: (look: PartLook) => number) =>
    looks.reduce((sum, look) => sum + look.share * of(look), 0);
  // A part's lightness as a normal spread about its mean (logistic approximation, Bowling et al. 2009).
  const below = ({ lab, spread }: PartLook, light: number) =>
    1 / (1 + Math.exp((-1.702 * (light - lab[0])) / Math.max(1, spread)));
  const dark = share((look) => below(look, 35));
  const light = share((look) => 1 - below(look, 65));
  const hued = (warm: boolean) =>
    share(({ hues }) =>
      hues.filter(({ hueDeg }) => isWarm(hueDeg) === warm).reduce((sum, hue) => sum + hue.share, 0),
    );
  return {
    ...{ dark, light, middle: Math.max(0, 1 - dark - light), warm: hued(true), cold: hued(false) },
    busy: share(({ texture }) => (texture >= BUSY_FROM ? 1 : 0)),
    quiet: share(({ texture }) => (texture < QUIET_BELOW ? 1 : 0)),
  };
}

const near = (one: number, other: number): boolean => Math.abs(((one - other + 540) % 360) - 180) <= ECHO_DEG;

/** Every vivid colour of every part, and where else it is found; nothing in `with` where it is alone. */
export function echoesOf(looks: readonly PartLook[]): Echo[] {
  return looks.flatMap((look) =>
    look.hues
      .filter(({ share, lab }) => share >= OWN_SHARE && chromaOf(lab) >= VIVID)
      .map((hue): Echo => ({
        surfaceId: look.id,
        hue,
        with: looks
          .filter(({ id }) => id !== look.id)
          .filter(
            ({ hues }) =>
              hues
                .filter(({ hueDeg }) => near(hueDeg, hue.hueDeg))
                .reduce((sum, { share }) => sum + share, 0) >= ECHO_SHARE,
          )
          .map(({ id }) => id),
      })),
  );
}
