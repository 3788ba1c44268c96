/** Storage of a browser as far as the application uses it, with room that runs out, and the locks of open tabs. */
export interface Stores {
  local: Map<string, string>;
  session: Map<string, string>;
  /** Characters that the device takes in all. */
  room: number;
  openTabs: Set<string>;
}

function storageOf(kept: Map<string, string>, room: () => number): Storage {
  const methods = {
    getItem: (name: string) => kept.get(name) ?? null,
    setItem: (name: string, value: string) => {
      const others = [...kept].reduce((sum, [key, v]) => (key === name ? sum : sum + v.length), 0);
      if (others + value.length > room()) throw new DOMException('full', 'QuotaExceededError');
      kept.set(name, value);
    },
    removeItem: (name: string) => void kept.delete(name),
  };
  return new Proxy(methods, {
    ownKeys: () => [...kept.keys()],
    getOwnPropertyDescriptor: (_, name) =>
      kept.has(String(name))
        ? { configurable: true, enumerable: true, value: kept.get(String(name)) }
        : undefined,
  }) as unknown as Storage;
}

/** Puts such stores in place of the browser's; each call begins with empty ones. */
export function browserStores(): Stores {
  const stores: Stores = { local: new Map(), session: new Map(), room: 1_000_000, openTabs: new Set() };
  const put = (name: string, value: unknown) =>
    Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
  put(
    'localStorage',
    storageOf(stores.local, () => stores.room),
  );
  put(
    'sessionStorage',
    storageOf(stores.session, () => stores.room),
  );
  put('navigator', {
    locks: {
      request: (name: string, held: () => Promise<unknown>) => {
        stores.openTabs.add(name);
        return held();
      },
      query: async () => ({ held: [...stores.openTabs].map((name) => ({ name })) }),
    },
  });
  return stores;
}
