import { fireEvent, screen } from "@testing-library/react";
import { useState } from "react";
import { show } from "../testing/show";
import { Known, ToKnow } from "./to-know";

function Room() {
  const [rinsed, setRinsed] = useState(false);
  return (
    <ToKnow>
      <Known rank="amounts" brief="how sure the area is" state="plain">
        by strides
      </Known>
      <Known rank="before" brief="coarse drops" state="act">
        take another tip
      </Known>
      {!rinsed && (
        <Known rank="before" urgent brief="rinse first" state="act">
          rinse the tank <button onClick={() => setRinsed(true)}>Rinsed</button>
        </Known>
      )}
    </ToKnow>
  );
}

test("one is in sight, what is done first; all others are one line that opens, by their ranks", () => {
  show(<Room />);
  expect(screen.getByText(/rinse the tank/)).toBeVisible();
  expect(screen.getByText(/take another tip/)).not.toBeVisible();
  const line = screen.getByRole("button", { name: /2 more to know/ });
  expect(line).toHaveTextContent("coarse drops · how sure the area is");
  fireEvent.click(line);
  expect(screen.getByText(/by strides/)).toBeVisible();
  expect(screen.getAllByRole("heading").map((one) => one.textContent)).toEqual(["Before pouring", "About the amounts"]);
  fireEvent.click(line);
  // Done, the next one takes its place.
  fireEvent.click(screen.getByText("Rinsed"));
  expect(screen.getByText(/take another tip/)).toBeVisible();
  expect(screen.getByRole("button", { name: /1 more to know/ })).toHaveTextContent("how sure the area is");
});

test("by itself, without a line, it is a notice", () => {
  show(
    <Known rank="lawn" brief="bees" state="act">
      bees by the door
    </Known>,
  );
  expect(screen.getByRole("status")).toHaveTextContent("bees by the door");
});
