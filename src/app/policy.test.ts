import { createHash } from "node:crypto";
import { mkdirSync, mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { inlineHashes, policiesOf } from "./policy";

const hash = (text: string) => createHash("sha256").update(text).digest("base64");

describe("what a page may run", () => {
  test("the scripts that stand in it, each once; those from files are the app's own", () => {
    const html = `<script>a()</script><script src="/x.js"></script><script async src="/y.js"></script><script id="t">b("<")</script><script>a()</script>`;
    expect(inlineHashes(html)).toEqual([hash("a()"), hash('b("<")')]);
  });
  test("each page its own; an address that is none gets that of the page that says so", () => {
    const folder = mkdtempSync(path.join(tmpdir(), "gauge-pages-"));
    mkdirSync(path.join(folder, "mix"));
    writeFileSync(path.join(folder, "index.html"), "<script>one</script>");
    writeFileSync(path.join(folder, "mix", "sheet.html"), "<script>two</script>");
    writeFileSync(path.join(folder, "_not-found.html"), "<script>none</script>");
    const policies = policiesOf(folder);
    for (const [at, script] of [
      ["/", "one"],
      ["/mix/sheet", "two"],
      ["/elsewhere", "none"],
    ] as const) {
      expect(policies.of(at)).toContain(`'sha256-${hash(script)}'`);
      expect(policies.of(at)).not.toMatch(/script-src[^;]*unsafe-inline/);
    }
    expect(policiesOf(path.join(folder, "nothing")).of("/")).not.toMatch(/sha256/);
  });
});
