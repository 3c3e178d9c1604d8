/** Bytes of a compiled kernel from the text it is kept as. */
export const kernelBytes = (text: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(text), (character) => character.charCodeAt(0));

/** What every kernel is started with. @param name said where it stops */
export const kernelImports = (name: string): WebAssembly.Imports => ({
  env: {
    abort: () => {
      throw new Error(`${name} stopped`);
    },
  },
});
