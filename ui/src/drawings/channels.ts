/** The hatch that fills a channel's ink; hatches differ so that colour is never alone. */
export function hatch(code: string): string {
  return `url(#hatch-${code.startsWith('W') ? 'W' : code})`
}

export type LayerKind = 'ink' | 'old' | 'fluid'

export interface Layer {
  kind: string
  label: string
  volume: number
}

export function fillOf(layer: Layer, code: string): string {
  return layer.kind === 'fluid' ? 'url(#hatch-fluid)' : layer.kind === 'old' ? 'url(#hatch-old)' : hatch(code)
}

/** Whether a mixture is worth drawing in layers: a trace under half a percent is said in words, not drawn. */
export function visible(layers: Layer[]): Layer[] {
  const all = layers.reduce((sum, l) => sum + l.volume, 0)
  return layers.filter((l) => l.volume > 0.005 * all)
}
