import type { Router } from 'vue-router'

type Loads = () => Promise<unknown>

/**
 * Fetches the code of the other pages, one after the other, whenever the browser has nothing else to do: the first tap on any of
 * them is as quick as the second, and a page can be gone to though the kettle is away meanwhile.
 */
export async function fetchAhead(router: Router, idle: () => Promise<void> = whenIdle): Promise<void> {
  await router.isReady()
  performance.mark('ahead') // what is fetched from here on is not the page that was asked for
  const pages = new Set(router.getRoutes().flatMap((route) => Object.values(route.components ?? {})))
  for (const page of pages) {
    if (typeof page !== 'function') continue
    await idle()
    // why: one that cannot be had now is asked for again when it is gone to
    await (page as Loads)().catch(() => undefined)
  }
}

function whenIdle(): Promise<void> {
  return new Promise((go) => ('requestIdleCallback' in window ? requestIdleCallback(() => go()) : setTimeout(go, 200)))
}
