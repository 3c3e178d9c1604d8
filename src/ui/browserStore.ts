import type { StateStorage } from "zustand/middleware";

/** The browser's own store, which may be full or forbidden: then nothing is kept, and nothing else stops. */

/** A store that zustand can keep things in: where the browser refuses, they last as long as the page. */
export const safely = (store: () => Storage): StateStorage => ({
  getItem(name) {
    try {
      return store().getItem(name);
    } catch {
      return null;
    }
  },
  setItem(name, value) {
    try {
      store().setItem(name, value);
    } catch {
      // Where the view stood is not worth more than the page.
    }
  },
  removeItem(name) {
    try {
      store().removeItem(name);
    } catch {
      // Nothing is kept where nothing may be.
    }
  },
});

/** @returns whether it is kept */
export function keepText(key: string, text: string): boolean {
  try {
    localStorage.setItem(key, text);
    return true;
  } catch {
    return false;
  }
}

/** What is kept under a name; null for nothing. */
export function keptText(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** Lets go of what is kept. */
export function dropText(key: string): void {
  try {
    localStorage.removeItem(key);
  } catch {
    // Nothing is kept where nothing may be.
  }
}
