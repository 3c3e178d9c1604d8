import { Button, Menu, MenuItem } from "@mui/material";
import { useState } from "react";
import type { Coat, Surface } from "../../../core/job";
import { copyCoats } from "../../../core/copyCoats";
import { useEdit, useJob } from "../jobStore";

/** Copies the chosen coat, or all coats of the painter's own, to another surface. */
export function CopyCoat({ coat, surface }: { readonly coat: Coat; readonly surface: Surface }) {
  const job = useJob();
  const edit = useEdit();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const copy = (toId: string, coats: readonly Coat[]) => {
    edit((now) => copyCoats(now, coats, toId));
    setAnchor(null);
  };
  const own = surface.coats.filter((one) => one.role === null);
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        Copy to
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {job.surfaces.flatMap((to) => [
          <MenuItem key={to.id} onClick={() => copy(to.id, [coat])}>
            {to.id === surface.id ? "Once more on this surface" : `${to.name}: this coat`}
          </MenuItem>,
          ...(to.id !== surface.id && own.length > 1
            ? [
                <MenuItem key={`${to.id}-all`} onClick={() => copy(to.id, own)}>
                  {to.name}: all {own.length} coats
                </MenuItem>,
              ]
            : []),
        ])}
      </Menu>
    </>
  );
}
