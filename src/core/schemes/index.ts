import { clothQuiet } from "./cloth-quiet/cloth-quiet";
import { clothScratched } from "./cloth-scratched/cloth-scratched";
import { furDrybrushed } from "./fur-drybrushed/fur-drybrushed";
import { furThinned } from "./fur-thinned/fur-thinned";
import { groundOverbrushed } from "./ground-overbrushed/ground-overbrushed";
import { groundPowdered } from "./ground-powdered/ground-powdered";
import { hairApart } from "./hair-apart/hair-apart";
import { hairOverlapped } from "./hair-overlapped/hair-overlapped";
import { hornZones } from "./horn-zones/horn-zones";
import { leatherScrubbed } from "./leather-scrubbed/leather-scrubbed";
import { leatherStippled } from "./leather-stippled/leather-stippled";
import { metalSponged } from "./metal-sponged/metal-sponged";
import { scalesPlated } from "./scales-plated/scales-plated";
import type { SchemeDefinition } from "./scheme";
import { shellLayered } from "./shell-layered/shell-layered";
import { skinDead } from "./skin-dead/skin-dead";
import { skinLiving } from "./skin-living/skin-living";
import { slateBlocks } from "./slate-blocks/slate-blocks";
import { stoneBlocks } from "./stone-blocks/stone-blocks";
import { velvet } from "./velvet/velvet";
import { woolStippled } from "./wool-stippled/wool-stippled";

/** Every scheme a surface can be started from, by id. A new one is one folder and one line here. */
const all = {
  "leather-stippled": leatherStippled,
  "leather-scrubbed": leatherScrubbed,
  "wool-stippled": woolStippled,
  "cloth-scratched": clothScratched,
  velvet,
  "cloth-quiet": clothQuiet,
  "shell-layered": shellLayered,
  "metal-sponged": metalSponged,
  "stone-blocks": stoneBlocks,
  "slate-blocks": slateBlocks,
  "ground-overbrushed": groundOverbrushed,
  "ground-powdered": groundPowdered,
  "horn-zones": hornZones,
  "hair-overlapped": hairOverlapped,
  "hair-apart": hairApart,
  "fur-thinned": furThinned,
  "fur-drybrushed": furDrybrushed,
  "scales-plated": scalesPlated,
  "skin-living": skinLiving,
  "skin-dead": skinDead,
} as const;

export type SchemeId = keyof typeof all;
// Each is checked against its own tones where it is made; here they are handled alike.
export const schemes = all as unknown as Readonly<Record<SchemeId, SchemeDefinition>>;
export const schemeIds = Object.keys(all) as SchemeId[];
/** Whether there is a scheme of this id. */
export const isSchemeId = (id: string): id is SchemeId => Object.hasOwn(all, id);
