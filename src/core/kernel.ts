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

/**
 * A kernel of this thread, started when it is first asked for.
 * @param name said where it stops
 * @throws WebAssembly.CompileError where the machine lacks SIMD, when it is asked for
 */
export function kernelOnce(text: string, name: string): () => unknown {
  let started: unknown = null;
  return () => {
    if (started) return started;
    const code = new WebAssembly.Module(kernelBytes(text));
    return (started = new WebAssembly.Instance(code, kernelImports(name)).exports);
  };
}

const PAGE = 65536;

/** Lets a kernel's memory hold so many bytes; what was seen of it before is gone if it had to grow. */
export function makeRoom(memory: WebAssembly.Memory, bytes: number): void {
  const missing = bytes - memory.buffer.byteLength;
  if (missing > 0) memory.grow(Math.ceil(missing / PAGE));
}

/** Bytes up to where the next plane may begin. */
export const aligned = (bytes: number): number => Math.ceil(bytes / 16) * 16;
