import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { ViewBoundary } from "./ViewBoundary";

describe("a view that throws", () => {
  it("says so, leaves the rest of the page alone, and can be tried again", async () => {
    const told = vi.spyOn(console, "error").mockImplementation(() => undefined);
    let broken = true;
    const View = () => {
      if (broken) throw new Error("no such coat");
      return <p>Coats</p>;
    };
    render(
      <>
        <p>Header</p>
        <ViewBoundary name="Coats" rescue={<a href="/file">Job file</a>}>
          <View />
        </ViewBoundary>
      </>,
    );
    expect(screen.getByText("Header")).toBeVisible();
    expect(screen.getByRole("heading", { name: "Coats cannot be shown" })).toBeVisible();
    expect(screen.getByText(/no such coat/)).toBeVisible();
    expect(screen.getByRole("link", { name: "Job file" })).toBeVisible();
    broken = false;
    await userEvent.click(screen.getByRole("button", { name: "Try again" }));
    expect(screen.getByText("Coats")).toBeVisible();
    told.mockRestore();
  });
});
