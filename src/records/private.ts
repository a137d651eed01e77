import { chmodSync, lstatSync, readdirSync, rmSync, statSync } from "node:fs";
import path from "node:path";

/** The folder of the records is its owner's alone: what is in it says who sprayed what, where people live, and how one gets in. */

const FOLDER = 0o700;
const FILE = 0o600;

/** Whatever this process makes from now on is readable to nobody else: copies, staging, the write-ahead log. */
export function makePrivately(): void {
  try {
    process.umask(0o077);
  } catch {
    // A worker thread has its process's.
  }
}

/** What is in a folder becomes its owner's alone. What another user owns stays as it is: it is told by who owns it. */
export function makePrivate(folder: string): void {
  makePrivately();
  own(folder, FOLDER);
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    const at = path.join(/*turbopackIgnore: true*/ entry.parentPath, entry.name);
    // A link may lead anywhere.
    if (entry.isDirectory()) own(at, FOLDER);
    else if (entry.isFile()) own(at, FILE);
  }
}

function own(at: string, mode: number): void {
  try {
    if ((lstatSync(at).mode & 0o777) !== mode) chmodSync(at, mode);
  } catch (error) {
    // Gone meanwhile, or another user's.
    if (!/^(ENOENT|EPERM|EACCES|EROFS)$/.test(String((error as { code?: unknown }).code))) throw error;
  }
}

const STAGING = ".staging-";
const DAY = 86_400_000;

/** How the folder of a job of this process begins. */
export const stagingPrefix = (folder: string): string => path.join(/*turbopackIgnore: true*/ folder, `${STAGING}${process.pid}-`);

/**
 * Takes away what jobs of a killed process left behind.
 * @param atStart this process has no jobs yet: what bears its number is of another one that had it before
 */
export function clearStaging(folder: string, atStart = false): void {
  for (const name of readdirSync(folder).filter((n) => n.startsWith(STAGING))) {
    const old = path.join(/*turbopackIgnore: true*/ folder, name);
    const pid = Number(/^\.staging-(\d+)-/.exec(name)?.[1] ?? 0);
    const isGone = pid === 0 || pid === process.pid ? atStart : !isAlive(pid);
    if (isGone || Date.now() - statSync(old).mtimeMs > DAY) rmSync(old, { recursive: true, force: true });
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as { code?: unknown }).code === "EPERM";
  }
}
