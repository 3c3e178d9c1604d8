import { Box, Button, Typography } from "@mui/material";
import { Suspense } from "react";
import { putPattern, takePatternOff, withParams } from "../../../core/edits/patterns";
import type { Surface } from "../../../core/job";
import { families, familyIn } from "../../../core/patterns";
import { useEdit, usePaints } from "../jobStore";
import { useJudged } from "../useJudged";
import { useBuilt, useEditSurface } from "../useSurface";
import { LightOver } from "./LightOver";
import { FieldSetter } from "./setters/FieldSetter";
import { setters } from "./setters";
import type { SetterProps } from "./setters/setter";

/** A surface without a pattern can be given one. */
function Chooser({ surface }: { readonly surface: Surface }) {
  const edit = useEdit();
  const paints = usePaints();
  const { form } = useBuilt(surface);
  return (
    <Box sx={{ p: 2, display: "grid", gap: 1.5 }}>
      <Typography>
        {surface.name} has no pattern. A pattern lays its own coats, in order, and keeps them in step with its
        settings; coats that are there stay below it.
      </Typography>
      {Object.values(families).map((family) => (
        <Box
          key={family.id}
          sx={{
            display: "flex",
            gap: 2,
            alignItems: "center",
            borderTop: 1,
            borderColor: "divider",
            pt: 1.5,
          }}
        >
          <Button
            variant="outlined"
            sx={{ minWidth: 140, flexShrink: 0 }}
            disabled={!form}
            onClick={() => edit((job) => putPattern(job, surface.id, family.id, paints))}
          >
            {family.label}
          </Button>
          <Typography>{family.about}</Typography>
        </Box>
      ))}
    </Box>
  );
}

/** The pattern of a surface: its setter, or the choice of one. */
export function PatternView({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const { pattern, error } = useBuilt(surface);
  const family = familyIn(surface);
  const facts = useJudged((judged) => judged.facts[surface.id]);
  const settled = useJudged((judged) => judged.settled);
  if (!surface.pattern || !family) return <Chooser surface={surface} />;
  const Setter = setters[family.id];
  const props: SetterProps = {
    surface,
    params: surface.pattern.params,
    layout: pattern?.layout ?? null,
    problem: error?.message ?? null,
    facts: facts ?? null,
    settled,
    change: (part) =>
      editSurface(surface.id, (now) => withParams(now, (params) => Object.assign({}, params, part))),
  };
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, px: 2, pt: 1 }}>
        <Typography variant="h3" sx={{ flex: 1 }}>
          {family.label}
        </Typography>
        {!family.ownLight && <LightOver surface={surface} />}
        <Button onClick={() => editSurface(surface.id, takePatternOff)}>Take the pattern off</Button>
      </Box>
      <Suspense fallback={<Typography sx={{ p: 2 }}>Opening the settings …</Typography>}>
        {Setter ? <Setter {...props} /> : <FieldSetter {...props} specs={family.fields ?? {}} />}
      </Suspense>
    </>
  );
}
