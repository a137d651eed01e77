import "@testing-library/jest-dom";
import { configure } from "@testing-library/react";
import { TextEncoder } from "node:util";

jest.mock("next/navigation", () => jest.requireActual<object>("./src/ui/testing/navigation"));
beforeEach(() => window.history.replaceState(null, "", "/"));
window.scrollTo = () => {};

// What is drawn at once on a quiet machine may take its time on a busy one.
configure({ asyncUtilTimeout: 30_000 });

// What jsdom lacks and Chakra asks for.
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
globalThis.TextEncoder ??= TextEncoder as typeof globalThis.TextEncoder;
globalThis.structuredClone ??= <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
window.matchMedia ??= (query: string) =>
  ({
    matches: false,
    media: query,
    addEventListener() {},
    removeEventListener() {},
    addListener() {},
    removeListener() {},
  }) as unknown as MediaQueryList;
