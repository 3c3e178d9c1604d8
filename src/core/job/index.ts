/** Names and shapes of things as they are stored, exported and shown; one vocabulary from screen to table. */
export * from "./paint";
export * from "./mix";
export * from "./mishap";
export * from "./place";
export * from "./seat";
export * from "./effort";
export * from "./growth";
export * from "./groundwork";
export * from "./surface";
export * from "./figure";
export * from "./bench";
export * from "./history";
export * from "./job";
export * from "./ownScheme";
