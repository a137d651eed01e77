import next from "eslint-config-next/core-web-vitals";
import typescript from "eslint-config-next/typescript";
import prettier from "eslint-config-prettier/flat";

const OUTWARD = (room, may) =>
  `Imports point one way: app, cli → services → records, formats → core; ui → core, formats, standins and workers. ${room} may use ${may}.`;

/** What opens a quantity: a sum over plain numbers belongs to core, which has its units and shows its working. */
const OPENED = [
  { regex: "^@/core/quantity/kinds$", importNames: ["raw", "make"] },
  { regex: "^@/core/working/rule$", importNames: ["num", "nums"] },
].map((name) => ({
  ...name,
  message: "Core does the sums: add, scale and compare with core/quantity/arithmetic, or give it a rule.",
}));

/** A room of the code, what it may import from other rooms, and the packages that it may not use. */
const room = (name, may, { packages = [], globals = [], files = [`src/${name}/**/*.{ts,tsx}`] } = {}) => ({
  files,
  ignores: ["**/*.test.ts", "**/*.test.tsx"],
  rules: {
    "no-restricted-imports": [
      "error",
      {
        patterns: [
          { regex: `^@/(?!(${[name, ...may].join("|")})(/|$))`, message: OUTWARD(name, may.join(", ") || "nothing else") },
          {
            regex: `(^|/)\\.\\./(.*/)?(${["core", "formats", "records", "services", "ui", "app", "cli"].filter((r) => r !== name).join("|")})/`,
            message: "Reach another room by its @/ name, so that the direction of imports can be seen and checked.",
          },
          ...(name === "core" ? [] : OPENED),
          ...(packages.length
            ? [{ group: packages, message: `${name} is kept free of this: see docs/architecture.md, "The rooms".` }]
            : []),
        ],
      },
    ],
    ...(globals.length
      ? {
          "no-restricted-globals": [
            "error",
            ...globals.map((g) => ({ name: g, message: `${name} is pure: no I/O, clock, randomness or environment.` })),
          ],
        }
      : {}),
  },
});

const IO = [
  "fs",
  "fs/*",
  "node:*",
  "path",
  "os",
  "react",
  "react-dom",
  "react/*",
  "next",
  "next/*",
  "@chakra-ui/*",
  "drizzle-orm",
  "drizzle-orm/*",
  "better-sqlite3",
  "swr",
];

const NO_SQL = {
  ignores: ["**/*.test.ts", "**/*.test.tsx"],
  rules: {
    "no-restricted-syntax": [
      "error",
      ...[
        "CallExpression[callee.property.name='prepare']:not([arguments.0.type='Literal'])",
        "CallExpression[callee.property.name='exec'] > TemplateLiteral[expressions.length>0]",
        "CallExpression[callee.object.name='sql'][callee.property.name='raw']",
      ].map((selector) => ({
        selector,
        message: "Statements are made in records, by drizzle or with quoted(): never from data.",
      })),
    ],
  },
};

/** The boxes themselves, a pick among many, and the reason for what stays as typed: no quantity is typed into these. */
const BARE_INPUTS = ["field", "pickers", "slip-ask", "choose"].map((part) => `src/ui/parts/${part}.tsx`);
/** The one link: next/link asks for all that stands behind every link in sight, this one when a hand is on it. */
const PAGE_LINK = "src/ui/parts/page-link.tsx";
const RAW_INPUTS =
  "JSXOpeningElement[name.name=/^(Input|input)$/], JSXOpeningElement[name.object.name='chakra'][name.property.name='input']";

const config = [
  {
    ignores: [".next/**", "node_modules/**", "next-env.d.ts", "test-results/**", "playwright-report/**", "docs/**", ".cache/**"],
  },
  ...next,
  ...typescript,
  room("core", ["rig-kinds/rules"], {
    packages: [...IO, "yup", "nanoid"],
    globals: [
      "Date",
      "process",
      "window",
      "document",
      "fetch",
      "localStorage",
      "performance",
      "setTimeout",
      "setInterval",
      "crypto",
    ],
  }),
  room("formats", ["core", "rig-kinds/rules"], { packages: IO.filter((p) => p !== "yup") }),
  room("records", ["formats", "core", "rig-kinds/rules"], { packages: ["react", "next", "next/*", "@chakra-ui/*"] }),
  room("services", ["records", "formats", "core", "rig-kinds/rules"], { packages: ["react", "next", "next/*", "@chakra-ui/*"] }),
  room("standins", ["core"], { packages: ["react", "next", "next/*", "@chakra-ui/*", "drizzle-orm", "better-sqlite3"] }),
  room("workers", ["formats", "core", "standins"], {
    packages: ["react", "next", "next/*", "@chakra-ui/*", "drizzle-orm", "better-sqlite3"],
  }),
  room("ui", ["core", "formats", "standins", "workers", "rig-kinds"], {
    packages: ["drizzle-orm", "drizzle-orm/*", "better-sqlite3", "fs", "node:*"],
  }),
  // A kind of rig: its rules compute nothing and lie below core, its face belongs to the screens.
  room("rig-kinds", ["formats/job-file/types", "core/calibration/method-ids"], {
    packages: ["@chakra-ui/*", "drizzle-orm", "better-sqlite3", "fs", "node:*"],
  }),
  // `gauge verify` reads a file of records by itself: it checks what the records' own code writes.
  room("cli", ["services", "formats", "core"], { packages: ["react", "next", "next/*", "@chakra-ui/*", "drizzle-orm"] }),
  room("app", ["ui", "services", "records", "formats", "core"]),
  {
    // Math.random is the one global that no-restricted-globals can't name.
    files: ["src/core/**/*.ts"],
    rules: {
      "no-restricted-properties": ["error", { object: "Math", property: "random", message: "core is pure: no randomness." }],
    },
  },
  {
    // A component that grows past a screenful has parts with names of their own.
    files: ["src/ui/**/*.{ts,tsx}"],
    ignores: ["**/*.test.tsx", "**/*.test.ts", "src/ui/testing/**"],
    rules: { "max-lines-per-function": ["error", { max: 100, skipBlankLines: true, skipComments: true }] },
  },
  {
    // No statement is built from data: names of tables and columns go through quoted(), values are bound.
    files: ["src/records/**/*.ts"],
    ignores: ["**/*.test.ts", "src/records/quoted.ts"],
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: [
            ...["prepare", "exec", "raw"].map((call) => `CallExpression[callee.property.name='${call}']`),
            "VariableDeclarator[id.name='where']",
          ]
            .map((within) => `${within} TemplateElement[value.raw=/"$/]`)
            .join(", "),
          message: "Quote a name with quoted(); bind a value.",
        },
        {
          selector: "BinaryExpression[operator='+'] > Literal[value=/^(select|insert|update|delete) /i]",
          message: "A statement is one text: quote a name with quoted(), bind a value.",
        },
      ],
    },
  },
  { files: ["src/{app,services,formats,ui,workers}/**/*.{ts,tsx}"], ...NO_SQL },
  {
    // A quantity has one control, which gives a number its unit at the key that typed it: TextField or QuantityInput, with what it is of.
    files: ["src/ui/**/*.tsx"],
    ignores: ["**/*.test.tsx", ...BARE_INPUTS, PAGE_LINK],
    rules: {
      "no-restricted-syntax": [
        ...NO_SQL.rules["no-restricted-syntax"],
        {
          selector: `:matches(${RAW_INPUTS}):not(:has(JSXAttribute[name.name='type'][value.value=/^(radio|checkbox|file|search|range)$/]))`,
          message: "Use TextField or QuantityInput with its quantity, or Check and Choose: no raw input.",
        },
        { selector: "ImportDeclaration[source.value='next/link']", message: "Use PageLink of ui/parts/page-link." },
      ],
    },
  },
  // Jest loads its environments and transforms as CommonJS.
  { files: ["jest/**/*.cjs"], rules: { "@typescript-eslint/no-require-imports": "off" } },
  {
    // A journey waits for what it needs to see, on a clock that can be set to any day.
    files: ["e2e/**/*.ts"],
    ignores: ["e2e/harness/**"],
    rules: {
      "no-restricted-syntax": [
        "error",
        ...[
          ["NewExpression[callee.name='Date'][arguments.length=0]", "Ask e2e/harness/clock.ts what time it is."],
          ["CallExpression[callee.object.name='Date'][callee.property.name='now']", "Ask e2e/harness/clock.ts what time it is."],
          [
            "CallExpression[callee.property.name='waitForTimeout'], CallExpression[callee.name='setTimeout']",
            "Wait for what is to be seen, or move the page's clock on: time alone tells nothing on a busy machine.",
          ],
          ["Literal[value='networkidle']", "Wait for what is to be seen, or hasRead(page)."],
        ].map(([selector, message]) => ({ selector, message })),
      ],
    },
  },
  { rules: { "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }] } },
  prettier,
];

export default config;
