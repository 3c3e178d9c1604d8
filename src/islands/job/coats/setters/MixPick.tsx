import { MixSelect } from "../../MixSelect";

interface Props {
  readonly label: string;
  readonly value: string | null;
  readonly onChange: (id: string | null) => void;
  readonly none?: boolean;
}

/** One of the job's mixes, in a row of settings. */
export function MixPick(props: Props) {
  return <MixSelect {...props} look={{ sx: { width: 150 } }} />;
}
