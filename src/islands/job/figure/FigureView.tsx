import { Alert, Box, Typography } from "@mui/material";
import {
  useMemo,
  useRef,
  type KeyboardEvent,
  type MouseEvent,
  type PointerEvent,
  type ReactNode,
} from "react";
import type { FigureStill } from "../../../core/figure/figureStill";
import type { Figure } from "../../../core/job";
import { clamp } from "../../../core/units";
import { Picture } from "../../../ui/Picture";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
import { useRoom } from "../../../ui/useRoom";
import type { FigureInput } from "../../../worker/questions/figure";
import { LampDial } from "../coats/LampDial";
import { TimeSlider } from "../coats/TimeSlider";
import { useJob } from "../jobStore";
import { useView } from "../viewStore";
import { FigureBar } from "./FigureBar";
import { LeftOut } from "./LeftOut";
import { useFigureLook } from "./figureLook";
import { useFigureStill } from "./useFigureStill";

/** Degrees by key and by pixel of a drag; a press that moves less is a choice. */
const [BY_KEY, BY_PX, STILL_PX] = [15, 0.5, 4] as const;
const MOST_TILT = 85;
const OVER_CAPTION = { left: 12, bottom: 38 } as const;

const ARROWS: Readonly<Record<string, readonly [aside: number, up: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

function turn(aside: number, up: number): void {
  const { turnDeg, tiltDeg, set } = useFigureLook.getState();
  set({ turnDeg: (turnDeg + aside) % 360, tiltDeg: clamp(tiltDeg + up, -MOST_TILT, MOST_TILT) });
}

/** What turns the figure: a drag and arrow keys; a press without a move chooses what it meets. */
function useHands(choose: (event: MouseEvent) => void) {
  const grip = useRef<{ readonly x: number; readonly y: number } | null>(null);
  const moved = useRef(0);
  return {
    onKeyDown(event: KeyboardEvent) {
      const arrow = ARROWS[event.key];
      if (!arrow) return;
      turn(arrow[0] * BY_KEY, arrow[1] * BY_KEY);
      event.preventDefault();
    },
    onPointerDown(event: PointerEvent) {
      event.currentTarget.setPointerCapture(event.pointerId);
      grip.current = { x: event.clientX, y: event.clientY };
      moved.current = 0;
    },
    onPointerMove({ clientX, clientY }: PointerEvent) {
      const held = grip.current;
      if (!held) return;
      grip.current = { x: clientX, y: clientY };
      moved.current += Math.hypot(clientX - held.x, clientY - held.y);
      if (moved.current > STILL_PX) turn((held.x - clientX) * BY_PX, (clientY - held.y) * BY_PX);
    },
    onPointerUp(event: PointerEvent) {
      grip.current = null;
      if (moved.current <= STILL_PX) choose(event);
    },
  };
}

/** The surface a place of the picture shows. */
function surfaceAt({ picture, owners, surfaceIds }: FigureStill, x: number, y: number): string | null {
  const [column, row] = [Math.floor(x * picture.width), Math.floor(y * picture.height)];
  if (column < 0 || row < 0 || column >= picture.width || row >= picture.height) return null;
  return surfaceIds[owners[row * picture.width + column]! - 1] ?? null;
}

interface Props {
  readonly figure: Figure;
  readonly step?: FigureInput["step"];
  /** Whether it may be shown as it was at an earlier time. */
  readonly timed?: boolean;
  /** Laid over the picture, as large as it is. */
  readonly over?: ReactNode;
}

/** The whole figure as it stands: turned by a drag or arrow keys; a press on a piece chooses its surface. */
export function FigureView({ figure, step = null, timed = false, over }: Props) {
  const job = useJob();
  const time = useView((view) => view.time);
  const { still, busy, failed } = useFigureStill(figure, step, timed ? time : null);
  const surround = usePrefs((prefs) => prefs.surround);
  const { setRoom, size: room } = useRoom();
  const set = useView((view) => view.set);
  const shown = useRef<HTMLDivElement>(null);
  const hands = useHands((event) => {
    const box = shown.current?.getBoundingClientRect();
    if (!still || !box) return;
    const at = { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
    const surfaceId = surfaceAt(still, at.x, at.y);
    if (surfaceId) set({ surfaceId, coatId: null, upTo: null, findingId: null });
  });
  const scale = still
    ? Math.min((room.width - 24) / still.picture.width, (room.height - 24) / still.picture.height)
    : 1;
  const seated = useMemo(
    () => job.surfaces.filter((one) => one.figureId === figure.id && one.seat !== null),
    [job.surfaces, figure.id],
  );
  return (
    <Box
      data-testid="figure"
      data-settled={!busy}
      sx={{ display: "flex", flexDirection: "column", width: "100%", height: "100%", minHeight: 280 }}
    >
      <FigureBar figure={figure} />
      <Box
        ref={setRoom}
        sx={{ position: "relative", flex: 1, minHeight: 0, bgcolor: SURROUNDS[surround], overflow: "hidden" }}
      >
        <Box
          role="group"
          tabIndex={0}
          aria-label="The whole figure; arrow keys turn it, a press on a piece chooses its surface"
          {...hands}
          sx={{
            ...{ position: "absolute", inset: 0, display: "grid", placeItems: "center" },
            ...{ touchAction: "none", cursor: "grab", overflow: "hidden" },
          }}
        >
          {still && (
            <Box ref={shown} sx={{ position: "relative", lineHeight: 0 }}>
              <Picture
                pixels={still.picture}
                label={`${figure.name}, simulated, with ${still.surfaceIds.length} of its surfaces`}
                cssWidth={`${still.picture.width * Math.max(0.1, scale)}px`}
              />
              {over}
            </Box>
          )}
        </Box>
        <LampDial figure={figure} />
        {timed && <TimeSlider surfaces={seated} at={OVER_CAPTION} />}
        <LeftOut surfaces={seated} />
        {failed !== null && (
          <Alert severity="error" sx={{ position: "absolute", left: 12, bottom: 12 }}>
            {failed}
          </Alert>
        )}
        <Typography
          variant="caption"
          role="status"
          sx={{ position: "absolute", left: 12, bottom: 8, bgcolor: "background.paper", px: 1 }}
        >
          {captionOf(figure, seated.length, busy)}
        </Typography>
      </Box>
    </Box>
  );
}

function captionOf(figure: Figure, seated: number, busy: boolean): string {
  if (!figure.body) return "This figure has no body yet: choose one in the Brief.";
  if (seated === 0) return "Nothing is seated on it yet.";
  return busy ? "Painting the figure" : "Drag to turn it; press a piece to choose it.";
}
