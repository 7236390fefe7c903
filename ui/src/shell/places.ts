/** Where one can go: what is needed at the bench first. Its key is a letter of its name, and shown there. */
export const PLACES = [
  { to: '/', label: 'Bench', key: 'b', atBench: true },
  { to: '/round', label: 'Round', key: 'r', atBench: true },
  { to: '/jobs', label: 'Jobs', key: 'j', atBench: false },
  { to: '/changeover', label: 'Changeover', key: 'o', atBench: false },
  { to: '/checks', label: 'Checks', key: 'c', atBench: true },
  { to: '/clinic', label: 'Clinic', key: 'i', atBench: true },
  { to: '/shelf', label: 'Shelf', key: 's', atBench: false },
  { to: '/log', label: 'Log', key: 'l', atBench: false },
  { to: '/sums', label: 'Sums', key: 'u', atBench: false },
  { to: '/practice', label: 'Practice', key: 'p', atBench: false },
  { to: '/shop', label: 'Shop', key: 'h', atBench: false },
]

/** A name around the letter that is its key: before it, itself, after it. */
export function aroundKey(label: string, key: string): [string, string, string] {
  const at = label.toLowerCase().indexOf(key)
  return at < 0 ? [label, '', ''] : [label.slice(0, at), label.charAt(at), label.slice(at + 1)]
}
