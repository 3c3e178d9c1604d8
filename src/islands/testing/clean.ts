import { afterAll, afterEach } from "vitest";
import { afterEveryFile, afterEveryTest } from "./leftovers";

// Run for every file of tests, where the modules it imports are loaded once for all of them.
afterEach(() => afterEveryTest.all());
afterAll(() => afterEveryFile.all());

// What a browser has has to be there before any module asks for it.
if (typeof window !== "undefined") await import("./page");
