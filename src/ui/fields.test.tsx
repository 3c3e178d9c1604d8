import { fireEvent, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { beforeEach, describe, expect, it } from "vitest";
import { NumberField } from "./NumberField";
import { TextEdit } from "./TextEdit";
import { typingNow } from "./typing";

function Sized({
  onChange,
  problem,
}: {
  readonly onChange: (value: number) => void;
  readonly problem?: string;
}) {
  const [value, setValue] = useState(12);
  return (
    <NumberField
      label="Round the hem"
      unit="mm"
      min={1}
      max={200}
      step={0.5}
      value={value}
      problem={problem}
      onChange={(next) => {
        setValue(next);
        onChange(next);
      }}
    />
  );
}

describe("a number with its unit", () => {
  const heard: number[] = [];
  const field = () => screen.getByLabelText("Round the hem");
  beforeEach(() => {
    heard.length = 0;
  });
  const open = (problem?: string) => {
    render(<Sized onChange={(value) => heard.push(value)} {...(problem === undefined ? {} : { problem })} />);
    return userEvent.setup();
  };

  it("takes effect as soon as it is allowed, with comma or point", async () => {
    const user = open();
    await user.clear(field());
    await user.type(field(), "34,5");
    expect(heard).toEqual([3, 34, 34.5]);
    expect(field()).toHaveValue("34,5");
    await user.tab();
    expect(field()).toHaveValue("34.5");
  });

  it("leaves what is wrong as typed, and says what is allowed", async () => {
    const user = open();
    await user.clear(field());
    expect(screen.getByText("Round the hem needs a number, 1 to 200 mm.")).toBeVisible();
    await user.type(field(), "900");
    expect(screen.getByText("Allowed: 1 to 200 mm.")).toBeVisible();
    await user.tab();
    expect(field()).toHaveValue("900");
    expect(heard.at(-1)).toBe(90);
  });

  it("goes up and down by its step, not beyond its range", async () => {
    const user = open();
    await user.click(field());
    await user.keyboard("{ArrowUp}{ArrowUp}{ArrowDown}");
    expect(heard).toEqual([12.5, 13, 12.5]);
    await user.clear(field());
    await user.type(field(), "1");
    await user.keyboard("{ArrowDown}");
    expect(heard.at(-1)).toBe(1);
  });

  it("shows a problem found elsewhere", () => {
    open("The waist is wider than the hem.");
    expect(screen.getByText("The waist is wider than the hem.")).toBeVisible();
    expect(field()).toBeInvalid();
  });
});

function Named({
  onChange,
  optional = false,
}: {
  readonly onChange: (text: string) => void;
  readonly optional?: boolean;
}) {
  const [value, setValue] = useState("Cloak");
  return (
    <TextEdit
      label="Name"
      value={value}
      most={12}
      optional={optional}
      onChange={(next) => {
        setValue(next);
        onChange(next);
      }}
    />
  );
}

describe("a line of text", () => {
  const heard: string[] = [];
  const field = () => screen.getByLabelText("Name");
  const type = (text: string) => fireEvent.change(field(), { target: { value: text } });
  beforeEach(() => {
    heard.length = 0;
  });

  it("is kept at every key, without the blanks around it", () => {
    render(<Named onChange={(text) => heard.push(text)} />);
    for (const text of ["Old c", "Old cl", "Old cloak", "Old cloak "]) type(text);
    expect(heard).toEqual(["Old c", "Old cl", "Old cloak"]);
    expect(field()).toHaveValue("Old cloak ");
    fireEvent.blur(field());
    expect(field()).toHaveValue("Old cloak");
    expect(heard).toHaveLength(3);
  });

  it("tells that its changes are one stay in the field, until it is left", () => {
    const stays: unknown[] = [];
    render(<Named onChange={() => stays.push(typingNow())} />);
    type("Hoo");
    type("Hood");
    fireEvent.blur(field());
    type("Hoods");
    expect(stays[0]).not.toBeNull();
    expect(stays[1]).toBe(stays[0]);
    expect(stays[2]).not.toBe(stays[0]);
    expect(typingNow()).toBeNull();
  });

  it("is not kept empty where a name is needed, and goes back to the last one", () => {
    render(<Named onChange={(text) => heard.push(text)} />);
    type("  ");
    expect(screen.getByText("It needs a name.")).toBeVisible();
    fireEvent.blur(field());
    expect(heard).toEqual([]);
    expect(field()).toHaveValue("Cloak");
  });

  it("may be emptied where it is optional", () => {
    render(<Named optional onChange={(text) => heard.push(text)} />);
    type("");
    fireEvent.blur(field());
    expect(heard).toEqual([""]);
  });
});
