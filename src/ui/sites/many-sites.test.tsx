import { fireEvent, screen, within } from "@testing-library/react";
import type { SiteEntry } from "@/formats/entries";
import { InHandPanel } from "../frame/in-hand-panel";
import { SitePick } from "../parts/pickers";
import { RIG, showWith } from "../testing/show";
import { SitesRoom } from "./sites-room";

beforeEach(() => localStorage.clear());

/** More than a page of sites, by name; one of them retired. */
const SITES = Array.from({ length: 70 }, (_, i): SiteEntry => {
  const name = `${["Ferry green", "Quay terrace"][i % 2]} ${100 + i}`;
  const zones = [{ name: "lawn", area: "6200 ft2", id: `site-${i}.0` }];
  return { id: `site-${i}`, retired: i === 69, site: { name, zones }, former: [] };
}).sort((a, b) => (a.site.name < b.site.name ? -1 : 1));

const listed = () => screen.getAllByRole("list", { name: "All sites" }).flatMap((list) => within(list).getAllByRole("listitem"));
const lists = () => screen.getAllByRole("list", { name: "All sites" }).length;

describe("a firm of many sites", () => {
  test("they come by pages; searched by the beginnings of words; retired ones in reach", () => {
    showWith({ sites: SITES, rigs: [RIG] }, <SitesRoom />);
    expect([lists(), listed().length]).toEqual([1, 50]);
    fireEvent.click(screen.getByRole("button", { name: "More sites" }));
    expect([lists(), listed().length]).toEqual([2, 69]);
    expect(screen.queryByRole("button", { name: "More sites" })).toBeNull();
    fireEvent.change(screen.getByLabelText("Search the sites"), { target: { value: "terr 10" } });
    expect(listed().map((item) => item.textContent)).toEqual(
      [101, 103, 105, 107, 109].map((n) => expect.stringContaining(`Quay terrace ${n}`)),
    );
    fireEvent.change(screen.getByLabelText("Search the sites"), { target: { value: "harbour" } });
    expect(screen.getByText("No site has words that begin so.")).toBeInTheDocument();
    expect(screen.getByText("Restore Quay terrace 169")).toBeInTheDocument();
  });

  test("a field searches them, and keeps what was picked though it isn't among what was found", () => {
    const picked = jest.fn();
    showWith({ sites: SITES }, <SitePick value="site-68" onPick={picked} without={["site-0"]} />);
    const field = screen.getByLabelText("Site");
    expect(field).toHaveDisplayValue("Ferry green 168");
    expect(within(field).getByText("49 or more found: pick one")).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText("Search the list below"), { target: { value: "quay 101" } });
    expect(within(field).getByText("1 found: pick one")).toBeInTheDocument();
    expect(field).toHaveDisplayValue("Ferry green 168");
    fireEvent.change(field, { target: { value: "site-1" } });
    expect(picked).toHaveBeenCalledWith("site-1");
  });

  test("the strip finds one by name, or takes the first that was found; a short list is picked from", () => {
    const { unmount } = showWith({ sites: SITES, rigs: [RIG] }, <InHandPanel onClose={() => {}} />);
    const hand = () => (JSON.parse(localStorage.getItem("in-hand") ?? "{}") as { siteId?: string }).siteId;
    const field = screen.getByLabelText("Site");
    fireEvent.focus(field);
    fireEvent.change(field, { target: { value: "Quay terrace 103" } });
    expect(hand()).toBe("site-3");
    expect(field).toHaveValue("Quay terrace 103");
    fireEvent.change(field, { target: { value: "terr 107" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect([hand(), (field as HTMLInputElement).value]).toEqual(["site-7", "Quay terrace 107"]);
    // What was only begun is given up with the focus: the one in hand stays.
    fireEvent.change(field, { target: { value: "fer" } });
    fireEvent.blur(field);
    expect(field).toHaveValue("Quay terrace 107");
    unmount();
    showWith({ sites: SITES.slice(0, 3), rigs: [RIG] }, <InHandPanel onClose={() => {}} />);
    expect(screen.getByLabelText("Site").tagName).toBe("SELECT");
  });
});
