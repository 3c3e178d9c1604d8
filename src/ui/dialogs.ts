/** A dialog whose content grows while it is looked at: it stays where its top is, so that nothing moves under the pointer. */
export const FROM_TOP = { "& .MuiDialog-container": { alignItems: "flex-start" } } as const;

/** A dialog in which something is set or typed is left by its buttons or Escape: a press beside it, where it ended a moment ago, loses nothing. */
export const leftByHand =
  (leave: () => void) =>
  (_event: object, reason: "backdropClick" | "escapeKeyDown"): void => {
    if (reason === "escapeKeyDown") leave();
  };
