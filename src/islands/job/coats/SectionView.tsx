import { Box, Typography, useTheme } from "@mui/material";
import { useEffect, useMemo, useState } from "react";
import { opticsOfMix } from "../../../core/colour/appearance";
import { masstone } from "../../../core/colour/film";
import { spectrumToHex } from "../../../core/colour/spaces";
import { activeCoats, mixById, type Surface } from "../../../core/job";
import type { Section } from "../../../core/simulate/section";
import { formatNumber } from "../../../core/units";
import { useJob, usePaints } from "../jobStore";
import { askSection, useSimulation } from "../useSimulation";
import { useView } from "../viewStore";
import { lineOn } from "./SpecimenView";

const WIDTH = 1000;
const HEIGHT = 170;
const FOOT = 26;

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

/** Stretches of samples where a film lies, each with one bare sample at either end. */
function runsOf(um: Float32Array, known: (k: number) => boolean): [number, number][] {
  const runs: [number, number][] = [];
  let from = -1;
  for (let k = 0; k <= um.length; k++) {
    const lies = k < um.length && um[k]! > THINNEST_UM && known(k);
    if (lies && from < 0) from = Math.max(0, k - 1);
    if (!lies && from >= 0) {
      runs.push([from, Math.min(um.length - 1, k)]);
      from = -1;
    }
  }
  return runs;
}

/** The outline of every film, bottom to top. */
function bandsOf(section: Section, scales: Scales): { ground: string; bands: Band[] } {
  const count = section.reliefUm.length;
  const x = (k: number) => (k * WIDTH) / (count - 1);
  const known = (k: number) => !Number.isNaN(section.reliefUm[k]!);
  const top = Float32Array.from(section.reliefUm, (um) => HEIGHT - FOOT - um * scales.relief);
  const line = (heights: Float32Array, backwards: boolean) => {
    const points: string[] = [];
    for (let step = 0; step < count; step++) {
      const k = backwards ? count - 1 - step : step;
      if (known(k)) points.push(`${x(k).toFixed(1)} ${heights[k]!.toFixed(2)}`);
    }
    return points.join("L");
  };
  const outline = (below: Float32Array, above: Float32Array, from: number, to: number) => {
    const points: string[] = [];
    for (let k = from; k <= to; k++) points.push(`${x(k).toFixed(1)} ${below[k]!.toFixed(2)}`);
    for (let k = to; k >= from; k--) points.push(`${x(k).toFixed(1)} ${above[k]!.toFixed(2)}`);
    return `M${points.join("L")}Z`;
  };
  const floor = top.map(() => HEIGHT);
  const ground = `M${line(top, false)}L${line(floor, true)}Z`;
  const bands = section.films.map(({ coatId, um }) => {
    const below = top.slice();
    for (let k = 0; k < count; k++) top[k]! -= um[k]! * scales.film;
    return {
      coatId,
      path: runsOf(um, known)
        .map(([from, to]) => outline(below, top, from, to))
        .join(""),
    };
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

/** The cut through relief and films under the section's line. */
export function SectionView({ surface }: { readonly surface: Surface }) {
  const job = useJob();
  const paints = usePaints();
  const { palette } = useTheme();
  const { section: whole, specimen, round, fine } = useSimulation();
  const { line, coatId, upTo, set } = useView();
  const [hover, setHover] = useState<Hover | null>(null);
  const cut = specimen ? lineOn(specimen, line) : line;
  const { ax, ay, bx, by } = cut ?? { ax: null, ay: null, bx: null, by: null };
  useEffect(() => {
    // A new picture (`round`) under the same line is another cut.
    if (ax !== null && round >= 0) askSection({ ax, ay, bx, by });
  }, [ax, ay, bx, by, round]);
  const section = useMemo(() => whole && upToCoat(whole, surface, upTo), [whole, surface, upTo]);
  const scales = useMemo(() => (section ? scalesOf(section) : null), [section]);
  const drawn = useMemo(() => (section && scales ? bandsOf(section, scales) : null), [section, scales]);
  if (!section || !scales || !drawn) return <Typography sx={{ p: 2 }}>Cutting</Typography>;
  const coatOf = (id: string) => surface.coats.find((coat) => coat.id === id);
  const fill = (id: string) =>
    spectrumToHex(masstone(opticsOfMix(mixById(job, coatOf(id)?.mixId ?? ""), paints)));
  const hovered = hover ? section.films.find((film) => film.coatId === hover.coatId) : undefined;
  const hoveredCoat = hover ? coatOf(hover.coatId) : undefined;
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
            ? `${hoveredCoat.name}: ${mixById(job, hoveredCoat.mixId)?.name ?? "no mix"}, ${formatNumber(hovered.um[hover!.sample] ?? 0, 1)} µm`
            : `films drawn ${formatNumber(scales.exaggeration, 0)} × thicker than they are · ${formatNumber(section.mostUm, 0)} µm built up at most`}
        </Typography>
      </Box>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
        width="100%"
        style={{ flex: 1, minHeight: 0, background: palette.mode === "dark" ? "#6a6a6a" : "none" }}
        role="group"
        aria-label="Section through the films"
        onPointerLeave={() => setHover(null)}
      >
        <path d={drawn.ground} fill={palette.mode === "dark" ? "#3a3a3a" : "#c9c9c9"} />
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
              setHover({ coatId: band.coatId, sample: Math.round(share * (section.reliefUm.length - 1)) });
            }}
            onClick={() => set({ coatId: band.coatId })}
          >
            <title>{coatOf(band.coatId)?.name}</title>
          </path>
        ))}
      </svg>
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
