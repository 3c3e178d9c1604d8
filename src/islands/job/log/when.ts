/** A time as it is told in the log: "4 May, 19:40". */
export const when = (iso: string): string =>
  new Date(iso).toLocaleString([], {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    hour12: false,
  });
