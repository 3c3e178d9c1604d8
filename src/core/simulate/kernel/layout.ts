/** Addresses inside the kernel's memory, in bytes; the same numbers stand in assembly/kernel.ts. */
export const CHUNK = 1024;
export const GROUND_AT = 0;
export const WEIGHTS_AT = 64;
export const CURVE_AT = 256;
export const CURVE_STEPS = 8192;
export const LEVELS_AT = 8704;
export const COVERS_AT = LEVELS_AT + CHUNK;
export const SHADES_AT = COVERS_AT + CHUNK;
export const OUT_AT = SHADES_AT + CHUNK * 4;
/** Planes of the second film of a pair. */
export const LEVELS_2_AT = OUT_AT + CHUNK * 4;
export const COVERS_2_AT = LEVELS_2_AT + CHUNK;
export const STATE_AT = COVERS_2_AT + CHUNK;
export const TABLES_AT = STATE_AT + CHUNK * 48;
export const TABLE_BYTES = 256 * 96;
/** Most coats in one picture. */
export const MAX_COATS = 64;
export const PAGES = Math.ceil((TABLES_AT + MAX_COATS * TABLE_BYTES) / 65536);
