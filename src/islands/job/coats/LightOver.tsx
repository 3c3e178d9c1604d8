import { Button } from "@mui/material";
import { useState } from "react";
import { isOver, type Surface } from "../../../core/job";
import { takeOverOff } from "../../../core/schemes/lightOver";
import { useEdit } from "../jobStore";
import { OverDialog } from "./OverDialog";

/** Light and shade over a pattern: laid by a dialog, taken off by a button. */
export function LightOver({ surface }: { readonly surface: Surface }) {
  const edit = useEdit();
  const [open, setOpen] = useState(false);
  const laid = surface.coats.some(({ id }) => isOver(surface.id, id));
  return (
    <>
      <Button onClick={() => setOpen(true)}>Light and shade over it</Button>
      {laid && (
        <Button onClick={() => edit((job) => takeOverOff(job, surface.id))}>Take light and shade off</Button>
      )}
      {open && <OverDialog surface={surface} onClose={() => setOpen(false)} />}
    </>
  );
}
