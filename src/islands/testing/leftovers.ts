/**
 * What stands in for the browser and the server, and is put back to where it began: files of tests share their modules,
 * and none shall meet what another left.
 */
class PuttingBack {
  private readonly parts: (() => void)[] = [];

  /** Has a part put back from now on, whatever file it stands in. */
  add(part: () => void): void {
    this.parts.push(part);
  }

  all(): void {
    for (const part of this.parts) part();
  }
}

export const afterEveryTest = new PuttingBack();
export const afterEveryFile = new PuttingBack();
