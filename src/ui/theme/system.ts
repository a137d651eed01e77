import { createSystem, defaultBaseConfig, defineConfig } from "@chakra-ui/react";

/**
 * The look: bone paper and bottle-green ink, one orange for "act now", one oxide red for "stop". Made on Chakra's bare
 * base, so that no default theme can show through. Contrast is 7:1 or better for readings, in both faces.
 */
const config = defineConfig({
  cssVarsPrefix: "cg",
  preflight: true,
  globalCss: {
    "html, body": {
      background: "paper",
      color: "ink",
      fontFamily: "body",
      lineHeight: "1.4",
      minHeight: "100dvh",
      "@media print": { background: "white", color: "black" },
    },
    // Whoever sets larger text in the browser gets it: every size is in rem.
    html: { colorScheme: "light", fontVariantNumeric: "tabular-nums", fontSize: "100%" },
    body: { fontSize: "1.0625rem" },
    "html.dark": { colorScheme: "dark" },
    "*": {
      borderColor: "line",
      "@media (prefers-reduced-motion: reduce)": { animation: "none !important", transition: "none !important" },
    },
    // A link among words looks like one.
    ":where(#stage) a:not([class])": { textDecoration: "underline", textUnderlineOffset: "3px", textDecorationThickness: "2px" },
    ".print-only": { display: "none", "@media print": { display: "inline" } },
    ".no-print": { "@media print": { display: "none !important" } },
    "*:focus-visible": { outline: "3px solid", outlineColor: "act", outlineOffset: "2px" },
    "::selection": { background: "act", color: "paper" },
  },
  theme: {
    breakpoints: { md: "48rem", lg: "64rem", xl: "75rem" },
    tokens: {
      // Its figures are all of one width, and its point is as narrow as a point: the Mono's is as wide as a figure.
      fonts: { body: { value: "'B612', sans-serif" }, reading: { value: "'B612', sans-serif" } },
      colors: {
        bone: { 50: { value: "#fbf8ef" }, 100: { value: "#f3eddd" }, 200: { value: "#e6dec8" }, 300: { value: "#c9bfa4" } },
        bottle: {
          900: { value: "#0b1713" },
          800: { value: "#10241c" },
          700: { value: "#163a2d" },
          600: { value: "#2c5444" },
          300: { value: "#a9c4b6" },
        },
        orange: { dark: { value: "#9a3f00" }, light: { value: "#ff9a4a" } },
        oxide: { dark: { value: "#85211a" }, light: { value: "#ff9c8c" } },
      },
    },
    // What text is for; colour is its own. Seven sizes in all: small .9375, body 1.0625, title 1.375, reading 1.625, answer 2.25,
    // count 3.75, watch 5.75.
    textStyles: {
      small: { value: { fontSize: ".9375rem" } },
      label: { value: { fontSize: ".9375rem", fontWeight: "700" } },
      note: { value: { fontSize: ".9375rem" } },
      strong: { value: { fontSize: "1.0625rem", fontWeight: "700" } },
      lead: { value: { fontSize: "1.375rem", fontWeight: "700" } },
    },
    semanticTokens: {
      colors: {
        paper: { value: { base: "{colors.bone.100}", _dark: "{colors.bottle.900}" } },
        sheet: { value: { base: "{colors.bone.50}", _dark: "{colors.bottle.800}" } },
        well: { value: { base: "{colors.bone.200}", _dark: "#1a3329" } },
        ink: { value: { base: "#10352a", _dark: "#f1ecdc" } },
        soft: { value: { base: "#3b5549", _dark: "#bccabf" } },
        line: { value: { base: "#b3a98c", _dark: "#44604f" } },
        field: { value: { base: "#6f7d70", _dark: "#8da597" } },
        strip: { value: { base: "#10352a", _dark: "#050b08" } },
        onStrip: { value: { base: "{colors.bone.100}", _dark: "#f1ecdc" } },
        onStripSoft: { value: { base: "#bcd0c4", _dark: "#b4c5ba" } },
        act: { value: { base: "{colors.orange.dark}", _dark: "{colors.orange.light}" } },
        onAct: { value: { base: "#ffffff", _dark: "#1d0d00" } },
        stop: { value: { base: "{colors.oxide.dark}", _dark: "{colors.oxide.light}" } },
        water: { value: { base: "#bcd3d6", _dark: "#2b5560" } },
      },
    },
  },
});

export const system = createSystem(defaultBaseConfig, config);
