import type { SiteText } from "../job-file/types";

/** The zones of a site that were drawn or walked, for other programs. */

const drawn = (site: SiteText) =>
  site.zones.flatMap((zone) => {
    const polygons = zone.measurement?.map?.polygons;
    return polygons ? [{ name: zone.name ?? "zone", turf: zone.turf, polygons }] : [];
  });

export const hasMap = (site: SiteText): boolean => drawn(site).length > 0;

/** A ring with its first point again at its end, as other programs want it. */
const closed = (ring: readonly (readonly number[])[]) => [...ring, ring[0]!];

export const geoJsonOf = (site: SiteText): string =>
  `${JSON.stringify({
    type: "FeatureCollection",
    features: drawn(site).map(({ name, turf, polygons }) => ({
      type: "Feature",
      properties: { name, site: site.name, ...(turf !== undefined && { turf }) },
      geometry: { type: "MultiPolygon", coordinates: polygons.map((polygon) => polygon.map(closed)) },
    })),
  })}\n`;

const escaped = (text: string) =>
  text.replace(/[<>&"']/g, (c) => ({ "<": "&lt;", ">": "&gt;", "&": "&amp;", '"': "&quot;", "'": "&apos;" })[c]!);

const coordinates = (ring: readonly (readonly number[])[]) =>
  `<LinearRing><coordinates>${closed(ring)
    .map(([lon, lat]) => `${lon},${lat}`)
    .join(" ")}</coordinates></LinearRing>`;

export const kmlOf = (site: SiteText): string => {
  const placemarks = drawn(site).map(({ name, polygons }) => {
    const shapes = polygons.map(
      ([outer, ...holes]) =>
        `<Polygon><outerBoundaryIs>${coordinates(outer!)}</outerBoundaryIs>${holes
          .map((hole) => `<innerBoundaryIs>${coordinates(hole)}</innerBoundaryIs>`)
          .join("")}</Polygon>`,
    );
    return `<Placemark><name>${escaped(name)}</name><MultiGeometry>${shapes.join("")}</MultiGeometry></Placemark>`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n<kml xmlns="http://www.opengis.net/kml/2.2"><Document><name>${escaped(site.name)}</name>${placemarks.join("")}</Document></kml>\n`;
};

/**
 * GPX has no areas: each ring is a track that goes once round, what is cut out of it a track of its own that says so. Which of
 * them is cut out is told by their names alone.
 */
export const gpxOf = (site: SiteText): string => {
  const track = (name: string, ring: readonly (readonly number[])[]) =>
    `<trk><name>${escaped(name)}</name><trkseg>${closed(ring)
      .map(([lon, lat]) => `<trkpt lat="${lat}" lon="${lon}"/>`)
      .join("")}</trkseg></trk>`;
  const tracks = drawn(site).flatMap(({ name, polygons }) =>
    polygons.flatMap(([outer, ...holes]) => [
      track(name, outer!),
      ...holes.map((hole, i) => track(`${name}, not sprayed${holes.length > 1 ? ` ${i + 1}` : ""}`, hole)),
    ]),
  );
  return `<?xml version="1.0" encoding="UTF-8"?>\n<gpx version="1.1" creator="Careful Gauge" xmlns="http://www.topografix.com/GPX/1/1">${tracks.join("")}</gpx>\n`;
};
