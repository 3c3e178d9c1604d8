const PATHS: Readonly<Record<string, string>> = {
  "base-coat": "M2 4h12M2 8h12M2 12h12",
  fill: "M3 3h4v4H3zM9 9h4v4H9z",
  line: "M2 12C6 9 10 7 14 3",
  dot: "M8 6.5a1.5 1.5 0 1 0 .01 0zM3.5 11a1 1 0 1 0 .01 0zM12.5 3a1 1 0 1 0 .01 0z",
  wash: "M2 4c2 3 3 3 4 0M6 4c1 7 3 7 4 0M10 4c1 3 2 3 4 0M5 13h6",
  "dry-brush": "M2 4h3M7 4h2M11 4h3M3 8h5M10 8h2M2 12h2M6 12h6",
  stipple: "M3 3h.01M8 2h.01M13 4h.01M5 7h.01M10 8h.01M3 12h.01M8 12h.01M13 11h.01",
  touch: "M2 5c2-3 4-1 5-2-1 3-3 4-5 2zM9 4c2-2 4-1 5-1-1 2-3 3-5 1zM5 11c2-3 5-2 6-2-1 3-4 5-6 2z",
  scratch: "M3 4l3 5M8 2l1 4M12 5l-3 6M5 11l1 3M13 12l-2 2",
  "edge-line": "M2 13V6c0-2 2-4 4-4h8",
  airbrush: "M2 8h3M8 5l4-2M8 8h5M8 11l4 2",
  layer: "M2 12c4-1 5-8 12-8M2 12h12",
  "wet-blend": "M2 4h5c2 0 2 8 4 8h3M2 12h3M11 4h3",
  "pin-wash": "M2 4l4 8 3-8 2 5 3-5",
  overbrush: "M2 3h12M2 6h9M3 9h11M2 12h5M9 12h5",
  hatch: "M3 3l2 9M6 2l2 9M9 3l2 9M12 2l2 9",
  hair: "M2 5c3-1 5-1 8 1M5 9c3-2 5-2 9 0M2 13c3-2 5-1 7 0M8 3c2-1 4-1 6 0",
  sponge: "M4 4h2v2H4zM9 3h1v1H9zM11 7h2v2h-2zM5 10h3v2H5zM3 8h.01M13 12h.01",
  streak: "M4 2v11M8 3v6M8 11v1M12 2v8",
  blotch: "M3 6c1-4 5-4 7-3s4 3 2 5-3 1-4 3-6-1-5-5z",
  powder: "M2 13h12M3 11h.01M6 11h.01M9 11h.01M12 11h.01M5 8h.01M8 8h.01M11 8h.01M8 5h.01",
  "texture-paste": "M2 13V9l2-2 2 3 2-5 3 4 2-2 1 2v4z",
  "glow-dot": "M8 6.5a1.5 1.5 0 1 0 .01 0zM8 1v2M8 13v2M1 8h2M13 8h2M3.5 3.5l1 1M11.5 11.5l1 1",
  "single-blocks": "M2 4h5v3H2zM9 4h5v3H9zM4 9h6v3H4z",
  chip: "M2 10l2-5 4 1 2-3 4 4-2 5-5-1-2 2zM7 8l2-1",
  lens: "M8 2a6 6 0 1 0 .01 0zM5 6a3 3 0 0 1 2-2",
  stain: "M4 5c2-2 4 0 5-1s4 0 4 3-3 2-4 4-4 2-5 0-2-4 0-6zM12 13h.01M2 12h.01",
  plates: "M2 3c3 0 4 2 4 4-2 0-4-1-4-4zM8 3c3 0 4 2 4 4-2 0-4-1-4-4zM5 9c3 0 4 2 4 4-2 0-4-1-4-4z",
  "plate-lines": "M2 6c2-3 4-3 6 0M8 6c2-3 4-3 6 0M5 12c2-3 4-3 6 0",
  stencil: "M2 2h12v12H2zM8 4v3M8 9v3M6 6l2-2 2 2",
  tuft: "M8 14C8 9 7 6 4 3M8 14c0-5 1-8 4-10M8 14C7 11 5 9 2 8M8 14c1-3 3-5 6-6M8 14V4",
  snow: "M2 13c3-4 5-1 7-4s4-1 5-2v6zM4 4h.01M9 3h.01M13 4h.01",
  puddle: "M2 9c2-3 10-3 12 0s-10 4-12 0zM5 9h3M8 2v2",
  varnish: "M2 12h12M2 9c4-2 8-2 12 0M5 5l2-2M8 6l2-2",
  glaze: "M2 5c2 5 4 5 6 0s4-5 6 0M2 13c2-3 4-3 6 0s4 3 6 0",
};

/** A small drawing of the marks a technique leaves. */
export function TechniqueGlyph({ id }: { readonly id: string }) {
  return (
    <svg
      width="14"
      height="14"
      viewBox="0 0 16 16"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.3"
      strokeLinecap="round"
    >
      <path d={PATHS[id] ?? "M3 8h10"} />
    </svg>
  );
}
