import "@fontsource/b612/400.css";
import "@fontsource/b612/700.css";
import type { Metadata, Viewport } from "next";
import type { ReactNode } from "react";
import { Frame } from "@/ui/frame/frame";
import { Theme } from "@/ui/theme/registry";

export const metadata: Metadata = {
  title: { default: "Careful Gauge", template: "%s · Careful Gauge" },
  description: "Calibrate a sprayer and mix what the label says.",
};
export const viewport: Viewport = {
  width: "device-width",
  initialScale: 1,
  themeColor: [{ media: "(prefers-color-scheme: dark)", color: "#050b08" }, { color: "#10352a" }],
};

export default function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <Theme>
          <Frame>{children}</Frame>
        </Theme>
      </body>
    </html>
  );
}
