import { ListSubheader, MenuItem, TextField } from "@mui/material";
import { memo } from "react";
import { EVENT_IDS, EVENTS, type EventId, type Time } from "../../../core/ageing/events";
import type { ChangeCoat } from "./CoatSettings";

const GROUPS: readonly (readonly [Time | null, string])[] = [
  ["made", "Made"],
  ["used", "Used"],
  ["left", "Left to the weather"],
  [null, "Light, and what is seen for a while"],
];

const NONE = "none";

interface Props {
  readonly event: EventId | null;
  readonly change: ChangeCoat;
}

/** What a coat stands for in the life of its surface. */
export const CoatEvent = memo(function CoatEvent({ event, change }: Props) {
  return (
    <TextField
      select
      label="Stands for"
      value={event ?? NONE}
      helperText={event ? EVENTS[event].about : undefined}
      onChange={({ target: { value } }) =>
        change((coat) => ({ ...coat, event: value === NONE ? null : (value as EventId) }))
      }
    >
      <MenuItem value={NONE}>nothing that happened</MenuItem>
      {GROUPS.flatMap(([time, name]) => [
        <ListSubheader key={name}>{name}</ListSubheader>,
        ...EVENT_IDS.filter((id) => EVENTS[id].time === time).map((id) => (
          <MenuItem key={id} value={id}>
            {EVENTS[id].label}
          </MenuItem>
        )),
      ])}
    </TextField>
  );
});
