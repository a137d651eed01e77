import { ChakraProvider, defaultSystem } from "@chakra-ui/react";
import { render } from "@testing-library/react";
import { methodsFor } from "@/core/calibration/methods";
import { slipsOfTank } from "@/core/slips/of-reading";
import { entered } from "@/core/quantity/parse";
import { run } from "@/cli/gauge";
import { readJob } from "@/formats/job-file/read";
import { RigDrawn } from "@/ui/rigs/rig-drawn";
import { rigLine } from "@/ui/rigs/words";
import { ownerOf, type RigKind } from "./rules";

// A kind is a folder with its rules and its face, and a line in each of the two tables.
jest.mock("./table", () => ({
  RULES: {
    ...jest.requireActual<{ RULES: object }>("./table").RULES,
    barrow: jest.requireActual<{ barrow: object }>("@/testing/barrow/rules").barrow,
  },
}));
jest.mock("./faces", () => ({
  FACES: {
    ...jest.requireActual<{ FACES: object }>("./faces").FACES,
    barrow: jest.requireActual<{ barrow: object }>("@/testing/barrow/face").barrow,
  },
}));

const BARROW = "barrow" as RigKind;
const FILE = {
  format: "careful-gauge-job",
  version: 2,
  rig: {
    name: "Quay barrow",
    kind: BARROW,
    tanks: [{ name: "main", usable: "10 gal" }],
    outlets: { count: 4, spacing: "1.25 ft" },
  },
  calibration: {
    pace: { kind: "timed-run", distance: "100 ft", times: ["40 s", "40 s"] },
    flow: { kind: "timed-catch", catches: [{ volume: "64 fl oz", time: "60 s" }] },
  },
  products: [{ name: "Demo granule", form: "dry", formulation: "WG", rate: "0.3 oz/1000 ft2" }],
  sites: [{ name: "Ferry green", zones: [{ name: "north", area: "6000 ft2" }] }],
};

test("a made-up kind is read, calibrated and mixed by its own rules", () => {
  const read = readJob(FILE);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  // 500 sq ft (100 ft × 4 outlets at 1.25 ft) in 40 s are 80 s for 1,000; 64 fl oz a minute are 0.5 gal: 2/3 gal for 1,000 sq ft.
  const out = JSON.parse(run("calibrate", JSON.stringify(FILE)).out) as { sprayVolume: { value: number }; timePer1000: { value: number } }; // prettier-ignore
  expect(out.timePer1000.value).toBeCloseTo(80, 9);
  expect(out.sprayVolume.value).toBeCloseTo(2 / 3, 9);
  // 6,000 sq ft take 4 gal and 1.8 oz.
  const mix = JSON.parse(run("mix", JSON.stringify(FILE)).out) as { status: string };
  expect(mix.status).toBe("ready");
  expect(run("mix", JSON.stringify(FILE)).out).toContain(`"value": 1.8`);
});

test("its methods, its owner and what is possible of it are its own", () => {
  expect(methodsFor(BARROW, [], "us").map(({ method }) => method.id)).toEqual(["straight-course", "refill"]);
  expect(ownerOf(BARROW)).toBe("person");
  expect(slipsOfTank(entered("10 gal", "volume"), BARROW)).toEqual([]);
  expect(slipsOfTank(entered("100 gal", "volume"), BARROW)).not.toEqual([]);
});

test("it is drawn and named by its face", () => {
  const rig = FILE.rig as never;
  expect(
    render(<ChakraProvider value={defaultSystem}>{<RigDrawn rig={rig} />}</ChakraProvider>).getByTestId("barrow"),
  ).toBeTruthy();
  expect(rigLine(rig, "us")).toMatch(/^Barrow · 10 gal · 4 outlets/);
});
