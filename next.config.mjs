/** @type {import("next").NextConfig} */
const config = {
  poweredByHeader: false,
  devIndicators: false,
  serverExternalPackages: ["better-sqlite3"],
  // Types are checked by `npm run types`, once; a build does not check them again.
  typescript: { ignoreBuildErrors: true },
  experimental: { optimizePackageImports: ["@chakra-ui/react"] },
  // A browser that asks before it has read the page's own icon is given the same one.
  async rewrites() {
    return [{ source: "/favicon.ico", destination: "/icon.svg" }];
  },
  async headers() {
    return [
      {
        source: "/:path*",
        headers: [
          { key: "X-Content-Type-Options", value: "nosniff" },
          { key: "X-Frame-Options", value: "DENY" },
          { key: "Referrer-Policy", value: "same-origin" },
          { key: "Cross-Origin-Opener-Policy", value: "same-origin" },
          { key: "Cross-Origin-Resource-Policy", value: "same-origin" },
        ],
      },
    ];
  },
};

export default config;
