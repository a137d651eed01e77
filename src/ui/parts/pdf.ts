import { Font, pdf } from "@react-pdf/renderer";
import { downloadFile } from "./download";

const regular = new URL("@fontsource/b612/files/b612-latin-400-normal.woff", import.meta.url).href;
const bold = new URL("@fontsource/b612/files/b612-latin-700-normal.woff", import.meta.url).href;
Font.register({
  family: "B612",
  fonts: [
    { src: regular, fontWeight: 400 },
    { src: bold, fontWeight: 700 },
  ],
});
// Words are never broken: a unit split over two lines is misread.
Font.registerHyphenationCallback((word) => [word]);

/** The ink of everything that is printed. */
export const INK = "#10352a";
export const STOP = "#85211a";

/** Makes a PDF in the app's own type and hands it to the browser as a file. */
export async function savePdf(document: Parameters<typeof pdf>[0], name: string): Promise<void> {
  downloadFile(`${name}.pdf`, await pdf(document).toBlob());
}
