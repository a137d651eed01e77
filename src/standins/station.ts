/** A weather station that is asked for its last report. */
export interface StationPort {
  readonly name: string;
  /**
   * @param at what the clock on the wall there says when it is asked, by the reader's own zone
   * @param moment when that is; the same where it is left out @returns a METAR
   */
  readonly report: (at: Date, moment?: Date) => Promise<string>;
}

const two = (n: number) => String(Math.round(n)).padStart(2, "0");
const degrees = (celsius: number) => `${celsius < -0.5 ? "M" : ""}${two(Math.abs(celsius))}`;

/** Random numbers between nought and one that are the same for the same hour. */
function noise(day: number, hour: number, of: number): number {
  const x = Math.sin(day * 127.1 + hour * 311.7 + of * 74.7) * 43_758.5453;
  return x - Math.floor(x);
}

interface Hour {
  readonly from: number;
  /** Knots. */
  readonly wind: number;
  readonly gust: number;
  readonly air: number;
  readonly dewPoint: number;
  readonly weather: string;
  readonly sky: string;
  readonly pressure: number;
}

/** The days of its month on which something happens. */
const FOG = [3, 4, 5, 17];
const FRONT = 12;
const GUSTY = [20, 21, 22];

function hourOf(day: number, hour: number): Hour {
  const sun = Math.sin(((hour - 9) / 24) * 2 * Math.PI);
  const behind = day > FRONT && day < FRONT + 4;
  const front = day === FRONT && hour >= 9 && hour <= 15;
  const foggy = FOG.includes(day) && hour >= 4 && hour <= 8;
  const gusty = GUSTY.includes(day) && hour >= 12 && hour <= 18;
  const air = 17 + 7 * sun - (behind ? 6 : 0) + 2 * (noise(day, 0, 1) - 0.5);
  const dry = foggy ? 0 : front ? 1 : 4 + 4 * Math.max(0, sun);
  const calm = hour < 8 || hour > 20;
  const wind = foggy ? 1 : front ? 16 : gusty ? 11 : calm ? 2 + 2 * noise(day, hour, 2) : 4 + 4 * noise(day, hour, 3);
  return {
    from: Math.round(((behind ? 320 : front ? 290 : 220) + 30 * (noise(day, hour, 4) - 0.5)) / 10) * 10,
    wind,
    gust: front ? 27 : gusty ? 21 : 0,
    air,
    dewPoint: air - dry,
    weather: foggy ? "FG" : front ? "RA" : "",
    sky: foggy ? "VV002" : front ? "BKN020 OVC040" : behind ? "SCT035" : "FEW045",
    pressure: front ? 1002 : behind ? 1012 : 1018,
  };
}

/**
 * A made-up station at the ferry: a month of hourly reports with a front on the 12th, fog at some dawns and gusty afternoons. By the
 * reader's own clock: dawn is where it is dawn.
 */
export const simulatedStation: StationPort = {
  name: "the simulated station",
  report: async (at, moment = at) => {
    const day = at.getDate();
    const hour = at.getHours();
    const { from, wind, gust, air, dewPoint, weather, sky, pressure } = hourOf(day, hour);
    const time = `${two(moment.getUTCDate())}${two(moment.getUTCHours())}${two(moment.getUTCMinutes())}Z`;
    const blows = wind < 0.5 ? "00000KT" : wind < 3 ? `VRB${two(wind)}KT` : `${String(from).padStart(3, "0")}${two(wind)}`;
    const gusts = wind >= 3 ? `${gust > 0 ? `G${two(gust)}` : ""}KT` : "";
    const sight = weather === "FG" ? "0300" : weather === "RA" ? "4000" : "9999";
    const groups = [
      `KFRY ${time} AUTO`,
      blows + gusts,
      sight,
      weather,
      sky,
      `${degrees(air)}/${degrees(dewPoint)}`,
      `Q${pressure}`,
    ];
    return groups.filter(Boolean).join(" ");
  },
};
