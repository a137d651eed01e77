/** Hands a text over as a file. */
export const download = (name: string, text: string, type: "application/json" | "text/csv"): void =>
  downloadFile(name, new Blob([text], { type }));

/** Fetches what the server writes and hands it over. @throws where it can't be fetched */
export async function downloadFrom(path: string, name: string): Promise<void> {
  const response = await fetch(path);
  if (!response.ok) throw new Error(String(response.status));
  downloadFile(name, await response.blob());
}

/** Hands over what was made as a file. */
export function downloadFile(name: string, made: Blob): void {
  const url = URL.createObjectURL(made);
  const link = document.createElement("a");
  link.href = url;
  link.download = name.replace(/[^\w. -]/g, "_");
  link.click();
  // Not at once: a browser may still be reading it.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
