"use client";

import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { ChakraProvider } from "@chakra-ui/react";
import { ThemeProvider } from "next-themes";
import { useServerInsertedHTML } from "next/navigation";
import { useState, type ReactNode } from "react";
import { system } from "./system";

/** Writes the styles of each flush into the stream: without it every page is hydrated against unstyled markup. */
function StyleRegistry({ children }: { children: ReactNode }) {
  const [{ cache, flush }] = useState(() => {
    const made = createCache({ key: "cg" });
    made.compat = true;
    const insert = made.insert;
    let inserted: string[] = [];
    made.insert = (...args) => {
      const [, serialized] = args;
      if (made.inserted[serialized.name] === undefined) inserted.push(serialized.name);
      return insert(...args);
    };
    return {
      cache: made,
      flush: () => {
        const names = inserted;
        inserted = [];
        return names;
      },
    };
  });
  useServerInsertedHTML(() => {
    const names = flush();
    if (names.length === 0) return null;
    const styles = names.map((name) => cache.inserted[name]).filter((style) => typeof style === "string");
    return <style data-emotion={`${cache.key} ${names.join(" ")}`} dangerouslySetInnerHTML={{ __html: styles.join("") }} />;
  });
  return <CacheProvider value={cache}>{children}</CacheProvider>;
}

export function Theme({ children }: { children: ReactNode }) {
  return (
    <StyleRegistry>
      <ChakraProvider value={system}>
        <ThemeProvider attribute="class" defaultTheme="system" disableTransitionOnChange>
          {children}
        </ThemeProvider>
      </ChakraProvider>
    </StyleRegistry>
  );
}
