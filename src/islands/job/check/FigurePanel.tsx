import { Box, Button, FormControlLabel, Switch, Tab, Tabs, Typography } from "@mui/material";
import { useState } from "react";
import type { Border } from "../../../core/figure/judge/borders";
import type { PartLook } from "../../../core/figure/judge/looks";
import type { Figure } from "../../../core/job";
import { labToHex } from "../../../core/colour/spaces";
import { formatNumber } from "../../../core/units";
import { Row } from "../../../ui/Row";
import type { FigureJudgement } from "../../../core/figure/judge";
import { showOnFigure, useFigureLook } from "../figure/figureLook";
import { useJob } from "../jobStore";
import { Otherwise } from "./Otherwise";

const WANTED: Readonly<Record<PartLook["importance"], string>> = {
  "looked-at": "to be looked at",
  usual: "as most",
  quiet: "to stay quiet",
};

const percent = (share: number): string => `${formatNumber(100 * share, 0)}\u202f%`;

/** A bar as long as a share, drawn with the text's own colour. */
function Bar({ share }: { readonly share: number }) {
  return (
    <Box
      component="span"
      aria-hidden
      sx={{ display: "inline-block", width: 90, height: 8, mr: 1, bgcolor: "divider" }}
    >
      <Box
        component="span"
        sx={{ display: "block", height: "100%", width: `${100 * share}%`, bgcolor: "text.secondary" }}
      />
    </Box>
  );
}

/** The order in which the parts draw the eye, against what is wanted of each. */
function EyeOrder({ looks }: Pick<FigureJudgement, "looks">) {
  const { drawn, set } = useFigureLook();
  return (
    <>
      <FormControlLabel
        control={<Switch size="small" checked={drawn} onChange={(_, next) => set({ drawn: next })} />}
        label="Dim what draws nobody"
      />
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {looks.map((look, at) => (
          <Box
            component="li"
            key={look.id}
            sx={{
              ...{ display: "grid", gridTemplateColumns: "20px minmax(90px, 180px) 100px 48px 1fr", gap: 1 },
              ...{ alignItems: "center", py: 0.6, borderTop: 1, borderColor: "divider" },
            }}
          >
            <Typography variant="body2">{at + 1}</Typography>
            <Button
              sx={{ p: 0, minWidth: 0, justifyContent: "flex-start", textAlign: "left" }}
              onClick={() => showOnFigure(look.name, look.at)}
            >
              {look.name}
            </Button>
            <Bar share={look.draw} />
            <Typography component="span">{percent(look.draw)}</Typography>
            <Typography variant="body2">wanted {WANTED[look.importance]}</Typography>
          </Box>
        ))}
      </Box>
      <Typography variant="body2" sx={{ mt: 1 }}>
        Contrasts of lightness, hue and direction at the figure’s viewing distance, from the side it is judged
        from; what a thing means, a face above all, draws more than this knows.
      </Typography>
    </>
  );
}

const partedBy = ({ lightness, hueDeg, texture }: Border): string =>
  [
    `lightness by ${formatNumber(lightness, 0)} L*`,
    hueDeg === null ? "no hue to part them" : `hue by ${formatNumber(hueDeg, 0)}°`,
    `texture by ${formatNumber(texture, 1)}`,
  ].join(", ");

/** Parts that meet, the weakest border first. */
function Borders({ borders }: Pick<FigureJudgement, "borders">) {
  const { surfaces } = useJob();
  const nameOf = (id: string) => surfaces.find((surface) => surface.id === id)?.name ?? id;
  if (borders.length === 0) return <Typography>No two parts meet as seen from the front.</Typography>;
  return borders.map((border) => {
    const name = `${nameOf(border.one)} and ${nameOf(border.other)}`;
    return (
      <Row
        key={`${border.one}/${border.other}`}
        name={`differ by ${formatNumber(border.apart, 1)} (CIEDE2000)`}
      >
        <Button sx={{ p: 0, minWidth: 0 }} onClick={() => showOnFigure(name, border.at)}>
          {name}
        </Button>
        <br />
        <Typography variant="body2" component="span">
          {partedBy(border)}
        </Typography>
      </Row>
    );
  });
}

/** Colours that come again and colours that are alone; how opposites share out. */
function Colours({ echoes, balance }: Pick<FigureJudgement, "echoes" | "balance">) {
  const { surfaces } = useJob();
  const nameOf = (id: string) => surfaces.find((surface) => surface.id === id)?.name ?? id;
  return (
    <>
      {echoes.map(({ surfaceId, hue, with: others }) => (
        <Row key={`${surfaceId}/${hue.hueDeg}`} name={nameOf(surfaceId)}>
          <Box
            component="span"
            aria-hidden
            sx={{
              display: "inline-block",
              width: 14,
              height: 14,
              mr: 1,
              verticalAlign: -2,
              bgcolor: labToHex(hue.lab),
            }}
          />
          {percent(hue.share)} of it
          {others.length > 0 ? `, again on ${others.map(nameOf).join(", ")}` : ", found nowhere else"}
        </Row>
      ))}
      {(
        [
          ["Dark, middle, light", [balance.dark, balance.middle, balance.light]],
          ["Warm, cold, grey", [balance.warm, balance.cold, Math.max(0, 1 - balance.warm - balance.cold)]],
          [
            "Busy, between, quiet",
            [balance.busy, Math.max(0, 1 - balance.busy - balance.quiet), balance.quiet],
          ],
        ] as const
      ).map(([name, shares]) => (
        <Row key={name} name={name}>
          {shares.map(percent).join(", ")}
        </Row>
      ))}
    </>
  );
}

const TABS = ["Where the eye goes", "Borders", "Colours and balance", "From afar, other eyes"] as const;

interface Props {
  readonly answer: FigureJudgement;
  readonly figure: Figure;
}

/** What is told of the figure as one. */
export function FigurePanel({ answer, figure }: Props) {
  const [tab, setTab] = useState(0);
  return (
    <>
      <Tabs value={tab} aria-label="Of the figure" onChange={(_, next: number) => setTab(next)}>
        {TABS.map((name, at) => (
          <Tab key={name} label={name} id={`figure-tab-${at}`} aria-controls="figure-panel" />
        ))}
      </Tabs>
      <Box role="tabpanel" id="figure-panel" aria-labelledby={`figure-tab-${tab}`} sx={{ pt: 1 }}>
        {tab === 0 && <EyeOrder looks={answer.looks} />}
        {tab === 1 && <Borders borders={answer.borders} />}
        {tab === 2 && <Colours echoes={answer.echoes} balance={answer.balance} />}
        {tab === 3 && <Otherwise figure={figure} />}
      </Box>
    </>
  );
}
