/** A dialog whose content grows while it is looked at: it stays where its top is, so that nothing moves under the pointer. */
export const FROM_TOP = { "& .MuiDialog-container": { alignItems: "flex-start" } } as const;
