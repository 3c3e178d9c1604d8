import { Box } from "@mui/material";
import { ColumnHead } from "../../../ui/Row";
import { CoverQuestion } from "./questions/CoverQuestion";
import { EyesQuestion } from "./questions/EyesQuestion";
import { GradientQuestion } from "./questions/GradientQuestion";
import { GlazeQuestion } from "./questions/GlazeQuestion";
import { MixQuestion } from "./questions/MixQuestion";
import { PatternGoals } from "./questions/PatternGoals";
import { StepsQuestion } from "./questions/StepsQuestion";
import { SubstituteQuestion } from "./questions/SubstituteQuestion";
import { UnderGlazeQuestion } from "./questions/UnderGlazeQuestion";

/** Questions a palette answers; each answer can be taken over. */
export function Questions() {
  return (
    <Box
      sx={{
        flex: 1,
        minHeight: 0,
        overflow: "auto",
        pb: 2,
      }}
    >
      <ColumnHead title="Questions" />
      <MixQuestion />
      <GradientQuestion />
      <UnderGlazeQuestion />
      <GlazeQuestion />
      <StepsQuestion />
      <SubstituteQuestion />
      <CoverQuestion />
      <EyesQuestion />
      <PatternGoals />
    </Box>
  );
}
