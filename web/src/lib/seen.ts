const CACHE = 'mine' // as vite.config.ts names it

/** Nothing that one person saw is left for the next on this device. */
export const forgetSeen = async () => void (await globalThis.caches?.delete(CACHE))
