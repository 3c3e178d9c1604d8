import { Box, Button, IconButton, Typography } from "@mui/material";
import { mdiClose } from "@mdi/js";
import { Icon } from "../../../ui/Icon";
import type { Goal } from "../../../core/job";
import { formatNumber } from "../../../core/units";
import { TextEdit } from "../../../ui/TextEdit";
import { ColourField } from "../../pots/ColourField";
import { useEdit, useJob } from "../jobStore";
import { AddPicture } from "./AddPicture";
import { ReferenceCard } from "./ReferenceCard";
import { changeGoal, withoutGoal, withGoals } from "./goalEdits";

function GoalRow({ goal }: { readonly goal: Goal }) {
  const edit = useEdit();
  return (
    <Box
      component="li"
      aria-label={`Goal ${goal.name}`}
      sx={{ display: "flex", gap: 1, alignItems: "flex-start", borderTop: 1, borderColor: "divider", py: 1 }}
    >
      <Box sx={{ width: 46, height: 34, flexShrink: 0, bgcolor: goal.colour }} />
      <Box sx={{ flex: 1, minWidth: 120 }}>
        <TextEdit
          label={`Name of goal ${goal.name}`}
          value={goal.name}
          most={80}
          onChange={(name) => edit((job) => changeGoal(job, goal.id, { name }))}
          plain={{ fullWidth: true }}
        />
      </Box>
      <Box sx={{ width: 190 }}>
        <ColourField
          label="Colour"
          value={goal.colour}
          onChange={(colour) => edit((job) => changeGoal(job, goal.id, { colour }))}
        />
      </Box>
      <Typography variant="body2" sx={{ width: 44, pt: 0.8, textAlign: "right" }}>
        {goal.share === null ? "" : `${formatNumber(goal.share * 100, 0)}\u202f%`}
      </Typography>
      <IconButton
        size="small"
        aria-label={`Drop goal ${goal.name}`}
        onClick={() => edit((job) => withoutGoal(job, goal.id))}
      >
        <Icon path={mdiClose} fontSize="inherit" />
      </IconButton>
    </Box>
  );
}

/** Colours to be met, and the pictures they come from. */
export function GoalsView() {
  const job = useJob();
  const edit = useEdit();
  return (
    <>
      <Box component="section" aria-label="Goals" sx={{ bgcolor: "background.paper", p: 1.5 }}>
        <Typography variant="h2">Goals</Typography>
        <Typography variant="caption" component="p" sx={{ mb: 1 }}>
          Colours to be met. The questions on the right and the goals of mixes can take them.
        </Typography>
        {job.goals.length === 0 && (
          <Typography sx={{ mb: 1 }}>None yet: type one, or take them from a picture below.</Typography>
        )}
        <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
          {job.goals.map((goal) => (
            <GoalRow key={goal.id} goal={goal} />
          ))}
        </Box>
        <Button
          sx={{ px: 0 }}
          onClick={() =>
            edit((now) =>
              withGoals(now, [
                {
                  name: `Goal ${now.goals.length + 1}`,
                  colour: "#808080",
                  share: null,
                  referenceId: null,
                },
              ]),
            )
          }
        >
          Add a goal
        </Button>
      </Box>
      {job.references.map((reference) => (
        <ReferenceCard key={reference.id} reference={reference} />
      ))}
      <AddPicture />
    </>
  );
}
