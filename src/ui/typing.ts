/** The stay in a text field during which a change is made right now; null where none is. */
let field: object | null = null;

/** Makes a change that comes from typing: all changes of one stay in a field are one step for undo. */
export function whileTyping(stay: object, change: () => void): void {
  field = stay;
  try {
    change();
  } finally {
    field = null;
  }
}

/** The stay in a text field that the present change comes from; null for every other change. */
export const typingNow = (): object | null => field;
