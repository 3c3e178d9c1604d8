import { BristleKernel } from "../bristles/kernel";
import { cloudTile, speckTile, threadTile } from "./texture";

let kernel: BristleKernel | null = null;

/** The kernel of this thread, started when it is first asked for. @throws WebAssembly.CompileError where the machine lacks SIMD */
export const bristleKernel = (): BristleKernel =>
  (kernel ??= new BristleKernel({ threads: threadTile(), clouds: cloudTile(), specks: speckTile() }));
