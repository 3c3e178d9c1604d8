import SvgIcon, { type SvgIconProps } from "@mui/material/SvgIcon";

type Props = Omit<SvgIconProps, "children"> & {
  /** Outline of the picture on a square of 24 by 24, as a path of SVG. */
  readonly path: string;
};

/** A small picture beside words or in a button; what it means is said by the button. */
export const Icon = ({ path, ...props }: Props) => (
  <SvgIcon {...props}>
    <path d={path} />
  </SvgIcon>
);
