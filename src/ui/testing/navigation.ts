import { useSyncExternalStore } from "react";

/** The router of the tests: it goes where it is told to, within the page, and whoever reads the address reads the new one. */
const listeners = new Set<() => void>();
const told = () => listeners.forEach((listener) => listener());

for (const name of ["pushState", "replaceState"] as const) {
  const own = window.history[name].bind(window.history);
  window.history[name] = (...args) => {
    own(...args);
    told();
  };
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  window.addEventListener("popstate", listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener("popstate", listener);
  };
};

const router = {
  push: (path: string) => window.history.pushState(null, "", path),
  replace: (path: string) => window.history.replaceState(null, "", path),
  prefetch: () => {},
};

export const useRouter = () => router;
export const usePathname = () =>
  useSyncExternalStore(
    subscribe,
    () => window.location.pathname,
    () => "/",
  );
export const useSearchParams = () =>
  new URLSearchParams(
    useSyncExternalStore(
      subscribe,
      () => window.location.search,
      () => "",
    ),
  );
