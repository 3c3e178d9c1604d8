import { Box, Button, Menu, MenuItem, Typography } from "@mui/material";
import { useState } from "react";
import {
  addFoot,
  addPiece,
  movePiece,
  withGroundwork,
  withoutThing,
} from "../../../../core/edits/groundwork";
import { MOST_FEET, MOST_PIECES, PIECE_KINDS } from "../../../../core/groundwork/kinds";
import { groundPieces } from "../../../../core/groundwork/pieces";
import type { Groundwork, Surface } from "../../../../core/job";
import { useEditSurface } from "../../useSurface";
import { SetForm } from "./SetForm";
import { ThingForm } from "./ThingForm";
import { thingsOf } from "./things";
import type { GroundAnswer } from "../../../../worker/questions/ground";
import { useChosen, workOf } from "./useGround";

type Change = (work: Groundwork) => Groundwork;

/** What can be put on the base next. */
function Adding({ work, change }: { readonly work: Groundwork; readonly change: (next: Change) => void }) {
  const choose = useChosen((chosen) => chosen.choose);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const add = (next: Change) => {
    const grown = next(work);
    choose((grown.pieces.at(-1) !== work.pieces.at(-1) ? grown.pieces : grown.feet).at(-1)?.id ?? null);
    change(next);
    setAnchor(null);
  };
  return (
    <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
      <Button
        size="small"
        variant="outlined"
        aria-haspopup="menu"
        disabled={work.pieces.length >= MOST_PIECES}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Put on it
      </Button>
      <Button
        size="small"
        variant="outlined"
        disabled={work.feet.length >= MOST_FEET}
        onClick={() => add(addFoot)}
      >
        A foot or peg
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {PIECE_KINDS.map((kind) => (
          <MenuItem key={kind} onClick={() => add((now) => addPiece(now, kind))}>
            <Box>
              {groundPieces[kind].label}
              <Typography variant="caption" component="div">
                {groundPieces[kind].about}
              </Typography>
            </Box>
          </MenuItem>
        ))}
      </Menu>
    </Box>
  );
}

interface GroundFormProps {
  readonly surface: Surface;
  /** Null until it is worked out. */
  readonly answer: GroundAnswer | null;
}

/** What stands on a base: its pieces in the order they are laid, its feet, and each of them by itself. */
export function GroundForm({ surface, answer }: GroundFormProps) {
  const editSurface = useEditSurface();
  const { id: chosenId, choose } = useChosen();
  const work = workOf(surface);
  const change = (next: Change) => editSurface(surface.id, (now) => withGroundwork(now, next));
  const things = thingsOf(work);
  const chosen = things.find(({ id }) => id === chosenId) ?? null;
  const told = answer?.told;
  return (
    <Box role="group" aria-label="Built on it" sx={{ px: 2, pb: 2, display: "grid", gap: 1.5 }}>
      <Box>
        <Typography variant="h3">Built on it</Typography>
        <Typography variant="body2">
          Rocks and the like, laid one after the other: each lies on what is there before it.
        </Typography>
      </Box>
      <Adding work={work} change={change} />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5 }}>
        {things.map(({ id, name }) => (
          <Button
            key={id}
            size="small"
            variant={id === chosenId ? "contained" : "text"}
            aria-pressed={id === chosenId}
            onClick={() => choose(id === chosenId ? null : id)}
          >
            {name}
          </Button>
        ))}
      </Box>
      {chosen && (
        <>
          <ThingForm
            key={chosen.id}
            {...{ surface, change }}
            piece={chosen.piece}
            foot={work.feet.find(({ id }) => id === chosen.id) ?? null}
            pieceTold={told?.pieces.find(({ id }) => id === chosen.id) ?? null}
            footTold={told?.feet.find(({ id }) => id === chosen.id) ?? null}
          />
          <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
            {chosen.piece && (
              <>
                <Button size="small" onClick={() => change((now) => movePiece(now, chosen.id, -1))}>
                  Lay sooner
                </Button>
                <Button size="small" onClick={() => change((now) => movePiece(now, chosen.id, 1))}>
                  Lay later, on top
                </Button>
              </>
            )}
            <Button
              size="small"
              onClick={() => {
                change((now) => withoutThing(now, chosen.id));
                choose(null);
              }}
            >
              Take away
            </Button>
          </Box>
        </>
      )}
      <SetForm surface={surface} />
    </Box>
  );
}
