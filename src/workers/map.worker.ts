import { expose } from "comlink";
import { readMapFile } from "@/formats/area/map-in";

/** The door to the reader of maps: a large file is looked at off the page's own thread; whoever needs it no more ends the worker. */
const door = { read: readMapFile };
export type MapDoor = typeof door;
expose(door);
