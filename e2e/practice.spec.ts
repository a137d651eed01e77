import { deflateSync, crc32 } from "node:zlib";
import type { Page } from "@playwright/test";
import { photograph, sprinkled } from "../src/standins/camera";
import { calibrated, expect, rigInHand, slice, test } from "./fixtures";
import { now } from "./harness/clock";

/** A page whose clock stands still until it is moved on: a walk takes as long as the test says, however busy the machine is. */
async function stoppedClock(page: Page) {
  const begins = now();
  await page.clock.install({ time: begins });
  return () => page.clock.pauseAt(begins + 60_000);
}

/** Presses the plate so many times, so far apart by the page's own clock, ms. */
async function walk(page: Page, presses: number, apart: number) {
  const plate = page.getByRole("button", { name: /Start the walk|Pass mark|End the walk/ });
  for (let i = 0; i < presses; i += 1) {
    if (i > 0) await page.clock.fastForward(apart);
    await plate.click();
  }
}

test("from a drill to a held pace: the beat, walks without it, a reload in the middle, on record, and into a calibration", async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const { person, personId, rigId } = await rigInHand(page);
  const stopClock = await stoppedClock(page);
  await page.goto("/calibrate/practice");
  await page.getByLabel("Course", { exact: true }).fill("10 ft");
  await page.getByLabel("in", { exact: true }).fill("4 s");
  await page.getByLabel("Marks on the course").selectOption("1");
  await expect(page.getByText("A beat needs a stride")).toBeVisible();
  await page.getByLabel("or strides over the course").fill("4");
  await expect(page.getByText("60 a minute")).toBeVisible();
  await page.getByRole("button", { name: "Start the beat" }).click();
  await stopClock();
  await walk(page, 2, 3900);
  await expect(page.getByText(/Walk 1.*to the beat/)).toBeVisible();
  await page.getByRole("button", { name: "Stop the beat" }).click();
  for (let i = 0; i < 3; i += 1) await walk(page, 2, 3950);
  await expect(page.getByText(/^\W*It sits$/)).toBeVisible();
  // A walk that is under way goes on through a reload, and what was walked stays.
  await walk(page, 1, 0);
  await page.reload();
  await expect(page.getByRole("button", { name: "End the walk" })).toBeVisible();
  await page.getByRole("button", { name: "Throw this walk away" }).click();
  await expect(page.getByText(/^\W*It sits$/)).toBeVisible();
  await page.clock.resume();
  await page.getByRole("button", { name: `Keep these 4 walks for ${person}` }).click();
  const record = page.getByRole("region", { name: "By kind of ground" });
  await expect(record.getByRole("row", { name: /Turf 3/ })).toBeVisible();
  await page.getByLabel("Label's rates from").fill("3");
  await page.getByLabel("to", { exact: true }).fill("4");
  await expect(record.getByText(/^(\d[\d.]* to \d[\d.]*|✕ this pace is wider)/)).toBeVisible();
  await calibrated(page, { rigId, personId });
  const found = await slice(page.request, "inForce", { rig: rigId, person: personId });
  expect(found!.entry.calibration.repeatability).toMatchObject({ freedom: 2 });
  await page.goto(`/calibrate/record?id=${found!.entry.id}`);
  await expect(page.getByText(/with practice: one walk of this person/)).toBeVisible();
});

/** Told in the audio thread itself: when each click is heard, by the audio clock. */
const LISTENER = `
class Listener extends AudioWorkletProcessor {
  constructor() { super(); this.quiet = 0; }
  process([input]) {
    const samples = input[0];
    if (samples) for (let i = 0; i < samples.length; i += 1) {
      if (Math.abs(samples[i]) > 0.1) { if (this.quiet > 0.05 * sampleRate) this.port.postMessage((currentFrame + i) / sampleRate); this.quiet = 0; }
      else this.quiet += 1;
    }
    return true;
  }
}
registerProcessor("listener", Listener);`;

test.describe("the audio clock", () => {
  test.use({ bypassCSP: true });
  test("clicks fall within 10 ms of where they are due, on a page that is busy", async ({ page }) => {
    await rigInHand(page);
    await page.addInitScript((listener) => {
      type Connect = (this: AudioNode, to: AudioNode, ...rest: number[]) => AudioNode;
      const heard: number[] = [];
      Object.assign(window, { heard });
      const plain = window.AudioContext;
      class Listened extends plain {
        constructor(options?: AudioContextOptions) {
          super(options);
          const url = URL.createObjectURL(new Blob([listener], { type: "text/javascript" }));
          const connect = AudioNode.prototype.connect as unknown as Connect;
          const ready = this.audioWorklet.addModule(url).then(() => {
            const node = new AudioWorkletNode(this, "listener");
            node.port.onmessage = (event) => heard.push(event.data as number);
            return node;
          });
          AudioNode.prototype.connect = function (this: AudioNode, to: AudioNode, ...rest: number[]) {
            if (to instanceof AudioDestinationNode) void ready.then((node) => connect.call(this, node));
            return connect.call(this, to, ...rest);
          } as unknown as typeof AudioNode.prototype.connect;
        }
      }
      window.AudioContext = Listened;
    }, LISTENER);
    await page.goto("/calibrate/practice");
    await page.getByLabel("Marks on the course").selectOption("1");
    // 60 s for the course: no mark sounds while it is listened to.
    await page.getByLabel("in", { exact: true }).fill("60 s");
    await page.getByLabel("or strides over the course").fill("150");
    await page.getByRole("button", { name: "Start the beat" }).click();
    // The page works hard meanwhile, a third of a second at a time, until a dozen have been heard.
    const heard = await page.evaluate(async () => {
      const { heard } = window as unknown as { heard: number[] };
      while (heard.length < 12) {
        const until = performance.now() + 330;
        while (performance.now() < until);
        await new Promise((drawn) => requestAnimationFrame(drawn));
      }
      return heard;
    });
    const every = 60 / 150;
    const off = heard.map((at) => {
      const since = (at - heard[0]!) / every;
      return Math.abs(since - Math.round(since)) * every * 1000;
    });
    console.log(`the beat: ${heard.length} clicks, at most ${Math.max(...off).toFixed(3)} ms off by the audio clock`);
    expect(Math.max(...off)).toBeLessThan(10);
  });
});

test("a countdown on the lawn stops with the spray, and its strips go on record", async ({ page }) => {
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  const stopClock = await stoppedClock(page);
  await page.goto("/calibrate/practice/countdown");
  // 248 s for 1,000 sq ft: 12 sq ft take three.
  await page.getByLabel("A strip has").fill("12");
  await stopClock();
  await page.getByRole("button", { name: "Spray", exact: true }).click();
  await page.clock.fastForward(1200);
  await page.getByRole("button", { name: "Shut off" }).click();
  await page.clock.fastForward(1500);
  await page.reload();
  await expect(page.getByText("Shut off. Press to go on")).toBeVisible();
  await page.getByRole("button", { name: "The strip is done" }).click();
  await page.clock.resume();
  const done = page.getByRole("region", { name: "Strips" });
  await expect(done).toContainText(/too quick/);
  await page.getByRole("button", { name: /Keep them for/ }).click();
  await expect(done).toBeHidden();
  await expect(page.getByRole("region", { name: "Over the season" })).toBeVisible();
});

test("a lesson on fresh numbers: a wrong answer is told with its working, a right one stands in the record", async ({ page }) => {
  await rigInHand(page);
  await page.goto("/calibrate/practice/lessons");
  await page.getByRole("button", { name: "Take the lesson: Acres for thousands" }).click();
  const said = async () => (await page.getByText(/A demo label asks for/).textContent())!;
  const right = (story: string) => {
    const [, rate, area] = /for (\d+) fl oz per acre.*has ([\d,]+) sq ft/.exec(story)!;
    return (Number(rate) * Number(area!.replace(",", ""))) / 43_560;
  };
  await page.getByLabel("Your answer").fill("a good deal");
  await page.getByRole("button", { name: "That is it" }).click();
  await expect(page.getByText(/does not begin with a number/)).toBeVisible();
  await page.getByLabel("Your answer").fill("400");
  await page.reload();
  await expect(page.getByLabel("Your answer")).toHaveValue(/^400/);
  await page.getByRole("button", { name: "That is it" }).click();
  await expect(page.getByText(/^\W*Not right$/)).toBeVisible();
  await page.getByRole("button", { name: "Other numbers" }).click();
  await page.getByLabel("Your answer").fill(right(await said()).toFixed(2));
  await page.keyboard.press("Enter");
  await expect(page.getByText(/^\W*Right$/)).toBeVisible();
  await page.getByRole("button", { name: "Done" }).click();
  await page.reload();
  await expect(page.getByText(/right on \d/i)).toBeVisible();
});

/** A picture as a PNG file (ISO/IEC 15948). */
function png({ width, height, rgba }: { width: number; height: number; rgba: Uint8ClampedArray }): Buffer {
  const rows = Buffer.alloc(height * (1 + 4 * width));
  for (let y = 0; y < height; y += 1) rows.set(rgba.subarray(y * 4 * width, (y + 1) * 4 * width), y * (1 + 4 * width) + 1);
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type), data]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, sum]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 6, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from("89504e470d0a1a0a", "hex"),
    chunk("IHDR", head),
    chunk("IDAT", deflateSync(rows)),
    chunk("IEND", Buffer.alloc(0)),
  ]);
}

test("from four cards to a swath: found on the photo, counted, corrected, and taken to the rig, whose calibration is stale then", async ({
  page,
}) => {
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  const size = { long: 76, short: 26 };
  const cards = [0.5, 1, 1, 0.5].map((part, i) => sprinkled(size, { perCm2: 22 * part, median: 0.7, spread: 0.3, seed: i + 1 }));
  const photo = png(photograph({ cards, size, width: 1000, height: 800, tilt: 6, uneven: 0.2, blur: 0.6, noise: 2 }));
  await page.goto("/calibrate/cards");
  await page
    .getByLabel("Photo of cards")
    .setInputFiles({ name: "notes.txt", mimeType: "image/png", buffer: Buffer.from("no picture") });
  await expect(page.getByText(/notes.txt can't be read as a picture/)).toBeVisible();
  await page.getByLabel("Photo of cards").setInputFiles({ name: "pass.png", mimeType: "image/png", buffer: photo });
  const first = page.getByRole("region", { name: "Card 1" });
  await expect(page.getByRole("region", { name: "Card 4" })).toBeVisible();
  const cover = async () => Number(/([\d.]+) % covered/.exec((await first.textContent())!)![1]);
  const before = await cover();
  // A press on empty paper adds a stain, another takes it back.
  await first.getByRole("img").click({ position: { x: 6, y: 6 } });
  await expect(first.getByRole("button", { name: "Undo 1 correction" })).toBeVisible();
  await first.getByRole("button", { name: "Undo 1 correction" }).click();
  expect(await cover()).toBe(before);
  await page.getByRole("button", { name: /Card 1, corner 1/ }).focus();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("button", { name: "Take 4 cards to the pass" })).toBeEnabled();
  await page.getByRole("button", { name: "Take 4 cards to the pass" }).click();
  await page.reload();
  await page.getByLabel("They lay apart by").fill("1 ft");
  await page.getByRole("button", { name: "Work out the swath" }).click();
  await expect(page).toHaveURL(/\/calibrate\/pattern/);
  // A half and a whole, a whole and a half: three feet apart each place gets a whole or two halves.
  await expect(page.getByText("3 ft is the widest swath that is even enough")).toBeVisible();
  await page.getByRole("button", { name: /Take 3 ft to/ }).click();
  await expect(page.getByText(/has a swath of 3 ft now/)).toBeVisible();
  await page.goto("/");
  await expect(page.getByRole("banner")).toContainText(/out of date/);
});

test("a blocked outlet of a yawing boom starves a strip of the lawn", async ({ page }) => {
  await rigInHand(page);
  await page.goto("/calibrate/pattern");
  await page.getByText("What a blocked outlet").click();
  await page.getByLabel("One outlet is").selectOption("0");
  await page.getByLabel("The boom yaws").selectOption("0.25");
  await page.getByRole("button", { name: "Drive it over a lawn" }).click();
  const got = page.getByRole("region", { name: "What the lawn gets" });
  await expect(got).toContainText(/between .* % and .* % of what it should/);
  const least = Number(/between ([\d.]+) %/.exec((await got.textContent())!)![1]);
  expect(least).toBeLessThan(60);
});
