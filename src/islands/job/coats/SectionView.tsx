import { Box, Typography, useTheme } from "@mui/material";
import { memo, useDeferredValue, useEffect, useMemo, useState } from "react";
import { EVENTS } from "../../../core/ageing/events";
import { swatchOfMix } from "../../../core/colour/appearance";
import { spectrumToHex } from "../../../core/colour/spaces";
import { activeCoats, mixById, type Surface } from "../../../core/job";
import type { Section } from "../../../core/simulate/section";
import { formatNumber } from "../../../core/units";
import { useMixes, usePaints } from "../jobStore";
import { askSection, useSimulation } from "../useSimulation";
import { useView } from "../viewStore";
import { lineOn } from "./sectionPlace";

/** Units of the drawing: fine enough that whole numbers do, which are written out ten times faster than decimals. */
const WIDTH = 10_000;
const HEIGHT = 1_700;
const FOOT = 260;

interface Scales {
  /** Pixels per µm of film, and per µm of relief. */
  readonly film: number;
  readonly relief: number;
  readonly exaggeration: number;
}

/** Films are drawn so thick that the build-up fills some 40 % of the height; relief keeps its own, smaller factor. */
function scalesOf(section: Section): Scales {
  const pxPerUm = WIDTH / (section.lengthMm * 1000);
  const mostRelief = section.reliefUm.reduce((most, um) => (um > most ? um : most), 0);
  const film = ((HEIGHT - FOOT) * 0.45) / Math.max(20, section.mostUm);
  const relief = Math.min(pxPerUm * 3, ((HEIGHT - FOOT) * 0.42) / Math.max(1, mostRelief));
  return { film, relief, exaggeration: film / pxPerUm };
}

interface Band {
  readonly coatId: string;
  readonly path: string;
}

/** Thinner than this a film is not drawn, µm. */
const THINNEST_UM = 0.05;

/** Stretches of samples, first and last of each, of which something holds. */
function stretches(count: number, holds: (k: number) => boolean): [number, number][] {
  const found: [number, number][] = [];
  let from = -1;
  for (let k = 0; k <= count; k++) {
    const now = k < count && holds(k);
    if (now && from < 0) from = k;
    if (!now && from >= 0) {
      found.push([from, k - 1]);
      from = -1;
    }
  }
  return found;
}

/** The outline of every film, bottom to top. */
function bandsOf(section: Section, scales: Scales): { ground: string; bands: Band[] } {
  const count = section.reliefUm.length;
  const known = (k: number) => !Number.isNaN(section.reliefUm[k]!);
  const across = Int32Array.from({ length: count }, (_, k) => Math.round((k * WIDTH) / (count - 1)));
  const top = Float32Array.from(section.reliefUm, (um) => HEIGHT - FOOT - um * scales.relief);
  const outline = (below: Float32Array, above: Float32Array, from: number, to: number) => {
    let path = "";
    for (let k = from; k <= to; k++) path += `L${across[k]!} ${Math.round(below[k]!)}`;
    for (let k = to; k >= from; k--) path += `L${across[k]!} ${Math.round(above[k]!)}`;
    return path === "" ? "" : `M${path.slice(1)}Z`;
  };
  const floor = new Float32Array(count).fill(HEIGHT);
  const ground = stretches(count, known)
    .map(([from, to]) => outline(top, floor, from, to))
    .join("");
  const bands = section.films.map(({ coatId, um }) => {
    const below = top.slice();
    for (let k = 0; k < count; k++) top[k]! -= um[k]! * scales.film;
    const lies = (k: number) => um[k]! > THINNEST_UM && known(k);
    const path = stretches(count, lies)
      // One bare sample at either end, so that a film begins and ends on what it lies on.
      .map(([from, to]) => outline(below, top, Math.max(0, from - 1), Math.min(count - 1, to + 1)))
      .join("");
    return { coatId, path };
  });
  return { ground, bands };
}

interface Hover {
  readonly coatId: string;
  readonly sample: number;
}

/** The cut as it is after so many painted coats. */
function upToCoat(section: Section, surface: Surface, upTo: number | null): Section {
  if (upTo === null) return section;
  const painted = new Set(
    activeCoats(surface)
      .slice(0, upTo)
      .map((coat) => coat.id),
  );
  const films = section.films.filter((film) => painted.has(film.coatId));
  const mostUm = section.reliefUm.reduce(
    (most, _um, k) =>
      Math.max(
        most,
        films.reduce((sum, film) => sum + film.um[k]!, 0),
      ),
    0,
  );
  return { ...section, films, mostUm };
}

interface DrawingProps {
  readonly section: Section;
  readonly scales: Scales;
  readonly surface: Surface;
  readonly coatId: string | null;
  readonly onHover: (hover: Hover | null) => void;
}

/** The films over each other; drawn anew only for another cut or another look of it. */
const Drawing = memo(function Drawing({ section, scales, surface, coatId, onHover }: DrawingProps) {
  const mixes = useMixes();
  const paints = usePaints();
  const { palette } = useTheme();
  const set = useView((view) => view.set);
  const drawn = useMemo(() => bandsOf(section, scales), [section, scales]);
  const dark = palette.mode === "dark";
  const coatOf = (id: string) => surface.coats.find((coat) => coat.id === id);
  const fill = (id: string) =>
    spectrumToHex(swatchOfMix(mixById({ mixes }, coatOf(id)?.mixId ?? ""), paints));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      preserveAspectRatio="none"
      width="100%"
      style={{ flex: 1, minHeight: 0, background: dark ? "#6a6a6a" : "none" }}
      role="group"
      aria-label="Section through the films"
      onPointerLeave={() => onHover(null)}
    >
      <path d={drawn.ground} fill={dark ? "#3a3a3a" : "#c9c9c9"} />
      {drawn.bands.map((band) => (
        <path
          key={band.coatId}
          d={band.path}
          fill={fill(band.coatId)}
          stroke={band.coatId === coatId ? palette.primary.main : "none"}
          strokeWidth={1.5}
          vectorEffect="non-scaling-stroke"
          style={{ cursor: "pointer" }}
          onPointerMove={(event) => {
            const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
            const share = (event.clientX - box.left) / box.width;
            onHover({ coatId: band.coatId, sample: Math.round(share * (section.reliefUm.length - 1)) });
          }}
          onClick={() => set({ coatId: band.coatId })}
        >
          <title>{coatOf(band.coatId)?.name}</title>
        </path>
      ))}
    </svg>
  );
});

/** Asks for the cut under the section's line, anew for every picture. */
function useSection(): { section: Section | null; round: number; fine: boolean } {
  const specimen = useSimulation((state) => state.specimen);
  const section = useSimulation((state) => state.section);
  const round = useSimulation((state) => state.round);
  const fine = useSimulation((state) => state.fine);
  const line = useView((view) => view.line);
  const cut = specimen ? lineOn(specimen, line) : line;
  const { ax, ay, bx, by } = cut ?? { ax: null, ay: null, bx: null, by: null };
  useEffect(() => {
    // A new picture (`round`) under the same line is another cut.
    if (ax !== null && round >= 0) askSection({ ax, ay, bx, by });
  }, [ax, ay, bx, by, round]);
  return { section, round, fine };
}

/** The cut through relief and films under the section's line. Its drawing never holds up what was just set. */
export function SectionView({ surface: newest }: { readonly surface: Surface }) {
  const { section: newestCut, round, fine } = useSection();
  const whole = useDeferredValue(newestCut);
  const surface = useDeferredValue(newest);
  const coatId = useDeferredValue(useView((view) => view.coatId));
  const upTo = useDeferredValue(useView((view) => view.upTo));
  const mixes = useMixes();
  const [hover, setHover] = useState<Hover | null>(null);
  const section = useMemo(() => whole && upToCoat(whole, surface, upTo), [whole, surface, upTo]);
  const scales = useMemo(() => (section ? scalesOf(section) : null), [section]);
  if (!section || !scales) return <Typography sx={{ p: 2 }}>Cutting</Typography>;
  const hovered = hover ? section.films.find((film) => film.coatId === hover.coatId) : undefined;
  const hoveredCoat = hover ? surface.coats.find((coat) => coat.id === hover.coatId) : undefined;
  return (
    <Box
      sx={{ px: 2, py: 1, height: "100%", display: "flex", flexDirection: "column" }}
      data-round={round}
      data-fine={fine}
    >
      <Box sx={{ display: "flex", justifyContent: "space-between", gap: 2 }}>
        <Typography variant="h2" sx={{ whiteSpace: "nowrap" }}>
          Section A–B, {formatNumber(section.lengthMm, 1)}&#8239;mm
        </Typography>
        <Typography variant="body2" sx={{ textAlign: "right" }} aria-live="polite">
          {hovered && hoveredCoat
            ? `${hoveredCoat.name}: ${mixById({ mixes }, hoveredCoat.mixId)?.name ?? "no mix"}, ${formatNumber(hovered.um[hover!.sample] ?? 0, 1)} µm${hoveredCoat.event ? `, ${EVENTS[hoveredCoat.event].label.toLowerCase()}` : ""}`
            : `films drawn ${formatNumber(scales.exaggeration, 0)} × thicker than they are · ${formatNumber(section.mostUm, 0)} µm built up at most`}
        </Typography>
      </Box>
      <Drawing section={section} scales={scales} surface={surface} coatId={coatId} onHover={setHover} />
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <Typography variant="caption">A</Typography>
        <Typography variant="caption">
          relief drawn {formatNumber((scales.relief * section.lengthMm * 1000) / WIDTH, 1)} × higher than it
          is
        </Typography>
        <Typography variant="caption">B</Typography>
      </Box>
    </Box>
  );
}
