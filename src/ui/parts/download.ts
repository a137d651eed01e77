/** Hands a text over as a file. */
export function download(name: string, text: string, type: "application/json" | "text/csv"): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement("a");
  link.href = url;
  link.download = name.replace(/[^\w. -]/g, "_");
  link.click();
  URL.revokeObjectURL(url);
}
