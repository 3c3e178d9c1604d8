import { Alert, Box, Button, Typography } from "@mui/material";
import { useCallback, useEffect, useState } from "react";
import type { LearnedPot, ReadPot } from "../../core/learning/pots/learnPots";
import { formerOf, withFormer, withLearned } from "../../core/learning/pots/takenOver";
import type { Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import { counted, formatNumber } from "../../core/units";
import { call, messageOf } from "../../ui/api";

const HIDING_WORDS: Readonly<Record<Paint["hiding"], string>> = {
  opaque: "opaque",
  semi: "semi-opaque",
  transparent: "transparent",
};

const strengthText = (value: number): string => `${formatNumber(value, 2)} ×`;

/** What readings say of a pot, in words. */
function saysText({ state, strength, hiding, entries, odd }: LearnedPot): string {
  const behind = `${counted(entries, "entry", "entries")}${odd > 0 ? `, ${odd} set aside as odd` : ""}`;
  if (state === "too few") return `too little read yet: ${behind}`;
  if (state === "unclear")
    return `it departs, and it is not clear yet by what: read it alone in a thin coat, and in mixes with three others; ${behind}`;
  if (state === "as it is") return `as the shelf says: ${behind}`;
  const words = [
    ...(strength.value === strength.own
      ? []
      : [
          `strength ${strengthText(strength.value)}, between ${strengthText(strength.low)} and ${strengthText(strength.high)}`,
        ]),
    ...(hiding.value === hiding.own ? [] : [`hides as ${HIDING_WORDS[hiding.value]}`]),
  ];
  return `${words.join("; ")}: ${behind}`;
}

interface LineProps {
  readonly pot: ReadPot;
  readonly former: ReturnType<typeof formerOf>;
  readonly onUse: () => void;
  readonly onBack: () => void;
}

function Line({ pot, former, onUse, onBack }: LineProps) {
  const { name, state, strength, hiding, jobs } = pot;
  return (
    <Box component="li" sx={{ listStyle: "none", borderTop: 1, borderColor: "divider", py: 1 }}>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}>
        <Typography sx={{ width: 160, fontWeight: 500 }}>{name}</Typography>
        <Typography variant="body2" sx={{ width: 170 }}>
          shelf {strengthText(strength.own)}, {HIDING_WORDS[hiding.own]}
        </Typography>
        <Typography variant="body2" sx={{ flex: 1, minWidth: 220 }}>
          {saysText(pot)}
        </Typography>
        {state === "other" && (
          <Button variant="outlined" aria-label={`${name}: use what was read`} onClick={onUse}>
            Use it
          </Button>
        )}
        {former && (
          <Button aria-label={`${name}: put back`} onClick={onBack}>
            Put back {strengthText(former.strength)}, {HIDING_WORDS[former.hiding]}
          </Button>
        )}
      </Box>
      {state === "other" && jobs.length > 0 && (
        <Typography variant="body2" sx={{ pl: 1 }}>
          It would change the mixes and pictures of {new Intl.ListFormat("en-GB").format(jobs)}.
        </Typography>
      )}
    </Box>
  );
}

function usePots() {
  const [pots, setPots] = useState<readonly ReadPot[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const look = useCallback(
    () =>
      call<{ pots: ReadPot[] }>("/api/learned").then(
        (told) => setPots(told.pots),
        (error: unknown) => setProblem(messageOf(error)),
      ),
    [],
  );
  useEffect(() => void look(), [look]);
  /** Puts a pot on the shelf as told, then looks again: what was read stands against it anew. */
  const put = async (paint: Paint) => {
    setProblem(null);
    try {
      await call("/api/paints", { method: "PUT", json: { put: [paint], remove: [] } });
      await look();
      return true;
    } catch (error) {
      setProblem(messageOf(error));
      return false;
    }
  };
  return { pots, problem, put };
}

interface Props {
  readonly painter: Painter;
  readonly change: (painter: Painter) => void;
}

/** What colours read from the dry paint tell of the pots: looked at, taken over to the shelf, put back. */
export function LearnedPots({ painter, change }: Props) {
  const { pots, problem, put } = usePots();
  const use = async (pot: ReadPot) => {
    if (await put(withLearned(pot.paint, pot))) change(withFormer(painter, pot.paint, true));
  };
  const back = async ({ paint }: ReadPot) => {
    const { strength, hiding } = formerOf(painter, paint.id)!;
    if (await put({ ...paint, strength, hiding })) change(withFormer(painter, paint, false));
  };
  return (
    <Box component="section" aria-label="What readings teach of pots" sx={{ mt: 4 }}>
      <Typography variant="h2">What readings teach of pots</Typography>
      <Typography variant="body2" sx={{ mb: 1 }}>
        {pots === null || pots.length > 0
          ? "From colours read in the log: how strong a pot is in mixes, how well it hides. Nothing on the shelf changes until you say so."
          : "Read the dry paint of cards in the log, and from four entries on it tells how strong a pot is in mixes and how well it hides."}
      </Typography>
      <Box component="ul" sx={{ m: 0, p: 0 }}>
        {pots?.map((pot) => (
          <Line
            key={pot.paintId}
            pot={pot}
            former={formerOf(painter, pot.paintId)}
            onUse={() => void use(pot)}
            onBack={() => void back(pot)}
          />
        ))}
      </Box>
      {problem !== null && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
    </Box>
  );
}
