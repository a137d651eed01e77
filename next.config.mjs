// data: and WebAssembly are for the PDF library, which carries its layout engine within itself: nothing leaves this host.
const self =
  "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; font-src 'self' data:; connect-src 'self' data:; frame-ancestors 'none'; base-uri 'self'; form-action 'self'";

/** @type {import("next").NextConfig} */
const config = {
  poweredByHeader: false,
  devIndicators: false,
  serverExternalPackages: ["better-sqlite3"],
  experimental: { optimizePackageImports: ["@chakra-ui/react"] },
  // A browser that asks before it has read the page's own icon is given the same one.
  async rewrites() {
    return [{ source: "/favicon.ico", destination: "/icon.svg" }];
  },
  async headers() {
    // In development Next evaluates code and keeps a socket open; in production nothing may leave this host.
    const production = process.env.NODE_ENV === "production";
    return [
      // Records are nobody's to keep on the way.
      { source: "/api/:path*", headers: [{ key: "Cache-Control", value: "no-store" }] },
      {
        source: "/:path*",
        headers: [
          { key: "X-Content-Type-Options", value: "nosniff" },
          { key: "X-Frame-Options", value: "DENY" },
          { key: "Referrer-Policy", value: "same-origin" },
          { key: "Cross-Origin-Opener-Policy", value: "same-origin" },
          { key: "Cross-Origin-Resource-Policy", value: "same-origin" },
          ...(production
            ? [{ key: "Content-Security-Policy", value: `${self}; script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'` }]
            : []),
        ],
      },
    ];
  },
};

export default config;
