/** The option an event happened on; null elsewhere. */
const optionAt = ({ target }: Event): Element | null =>
  target instanceof Element ? target.closest("[role=option]") : null;

/**
 * An option of a list is chosen where it was pressed, not where a press on the field let go. Lists choose what the mouse
 * lets go on when that is later than 400 ms after the press; on a busy machine the list opens under a quick click, the
 * letting go is heard late, and something would be chosen that nobody chose.
 * @returns takes it back
 */
export function onlyPressedOptions(page: Document): () => void {
  let pressed: Element | null = null;
  const onDown = (event: Event) => {
    pressed = optionAt(event);
  };
  const onUp = (event: Event) => {
    const option = optionAt(event);
    if (option && option !== pressed) event.stopPropagation();
    pressed = null;
  };
  // Before anything of the views hears of it.
  page.addEventListener("mousedown", onDown, true);
  page.addEventListener("mouseup", onUp, true);
  return () => {
    page.removeEventListener("mousedown", onDown, true);
    page.removeEventListener("mouseup", onUp, true);
  };
}
