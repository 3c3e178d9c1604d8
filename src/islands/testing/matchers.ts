import "@testing-library/jest-dom/vitest";
import { configure } from "@testing-library/react";

// Working out for each element whether a style hides it takes most of a test's time in a page without layout.
configure({ defaultHidden: true });
