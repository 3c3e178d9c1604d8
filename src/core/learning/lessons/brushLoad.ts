import { itself, type Lesson } from "../lesson";

/** What a brush takes up: the paint on the figures, against how often the brush was loaded for it. */
export const brushLoad: Lesson = {
  id: "brush-load",
  learns: [{ key: "brushLoadUl", name: "A brush takes up", unit: "µl", ...itself }],
  row({ loads, planned: { thinnedUl } }) {
    return loads && thinnedUl ? { measured: thinnedUl / loads, counts: [1] } : null;
  },
};
