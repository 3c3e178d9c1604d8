import { SEATS, type FormUse, type SeatId, type SeatUse, onSeat } from "../job";
import { forms, isFormId } from "../surface/forms";
import type { Body } from "./bodies/body";

/** Words of a surface's name that tell where it is worn; the first that is found counts. */
const WORDS: readonly (readonly [words: RegExp, seats: readonly SeatId[]])[] = [
  [/\b(shoulder|cross|chest) ?(strap|belt)|sash|bandolier/i, ["chest"]],
  [/\b(hood|helm|helmet|head|cap|hat|mask|visor|hair|face|beak|horns?)\b/i, ["head"]],
  [/\b(collar|neck|scarf|gorget|mane)\b/i, ["neck"]],
  [/\b(cloak|cape|mantle|shoulders?|pauldrons?)\b/i, ["shoulders"]],
  [/\b(glove|gloves|hand|hands|gauntlets?|fist)\b/i, ["right-hand", "left-hand"]],
  [/\b(sleeve|sleeves|arm|arms|bracers?|elbow)\b/i, ["right-arm", "left-arm"]],
  [/\b(trousers?|leg|legs|thigh|shin|greaves?|socks?|stockings?)\b/i, ["left-leg", "right-leg"]],
  [/\b(boots?|shoes?|foot|feet|paws?)\b/i, ["left-foot", "right-foot"]],
  [/\b(satchel|bag|pouch|purse|quiver|holster|canteen)\b/i, ["left-hip", "right-hip"]],
  [/\b(skirt|kilt|belt|waist|girdle|apron)\b/i, ["waist"]],
  [/\b(chest|breast|tunic|jerkin|jacket|shirt|vest|robe|dress|coat)\b/i, ["chest", "waist", "back"]],
  [/\b(pack|rucksack|back)\b/i, ["back"]],
  [/\btail\b/i, ["tail"]],
  [/\b(flank|side|hide|short coat|scales?)\b/i, ["left-flank", "back"]],
  [/\bbelly\b/i, ["belly"]],
  [/\b(roof|slates?|tiles?)\b/i, ["roof"]],
  [/\b(wall|stones?|bricks?|course|courses)\b/i, ["wall"]],
  [/\b(hull|plate|housing|hatch|door|engine)\b/i, ["hull"]],
  [/\b(base|ground|mud|mudflat|rim)\b/i, ["base"]],
];

const ASLANT = /\b(shoulder|cross)|sash|bandolier/i;

/** A seat of a pair as the name says which: "left" or "right" in it. */
function sided(seat: SeatId, name: string): SeatId {
  const [, side] = /\b(left|right)\b/i.exec(name) ?? [];
  const other = side ? seat.replace(/^(left|right)-/, `${side.toLowerCase()}-`) : seat;
  return SEATS.find((one) => one === other) ?? seat;
}

/**
 * Where a piece is most likely worn: by its name, else by its form; a seat that nothing sits on yet before another.
 * @param taken seats of the figure's other pieces
 * @returns null for a body without any seat
 */
export function offerSeat(
  body: Body,
  piece: { readonly name: string; readonly form: FormUse },
  taken: readonly SeatId[] = [],
): SeatUse | null {
  const byName = WORDS.find(([words]) => words.test(piece.name))?.[1] ?? [];
  const byForm = isFormId(piece.form.id) ? forms[piece.form.id].worn.seats : [];
  const has = (seat: SeatId) => body.seats.some(({ id }) => id === seat);
  const wanted = [...byName.map((seat) => sided(seat, piece.name)), ...byName, ...byForm].filter(has);
  // A name that says where it is worn is believed even where something is worn there already.
  const best = wanted.find((seat) => !taken.includes(seat)) ?? wanted[0] ?? body.seats[0]?.id;
  if (!best) return null;
  // A strap over one shoulder runs aslant.
  return best === "chest" && ASLANT.test(piece.name) ? { ...onSeat(best), leanDeg: 35 } : onSeat(best);
}
