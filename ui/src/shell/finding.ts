import Fuse from 'fuse.js'
import type { Schemas } from '../api/client'
import { PLACES } from './places'

/** Something that can be gone to, or begun, by a few letters of its name. */
export interface Found {
  name: string
  /** what it is, or where it stands */
  what: string
  to: string
}

/** What can be done to a machine from anywhere. */
const ACTS = [
  { words: 'check', to: (id: number) => `/machines/${id}/checks#check` },
  { words: 'read a picture', to: (id: number) => `/checks/${id}` },
  { words: 'refill, levels, waste pad', to: (id: number) => `/machines/${id}/ink` },
  { words: 'upkeep, owed, promised', to: (id: number) => `/machines/${id}/upkeep` },
  { words: 'papers, activation code', to: (id: number) => `/machines/${id}/papers` },
  { words: 'past, diary', to: (id: number) => `/machines/${id}/past` },
  { words: 'it is ill', to: (id: number) => `/clinic?machine=${id}` },
  { words: 'plan a changeover', to: (id: number) => `/changeover?machine=${id}` },
]

/** What is settled in the shop, and where. */
const SETTINGS = [
  { name: 'Opening hours, holidays', to: '/shop' },
  { name: 'Name, units, currency, time zone', to: '/shop' },
  { name: 'The room can be aired', to: '/shop' },
  { name: 'Products: paper, settings, press', to: '/shop' },
  { name: 'A check is good enough', to: '/shop/ways' },
  { name: 'Prices, price of an hour, waste pad', to: '/shop/prices' },
  { name: 'Syringes and bottles sold', to: '/shop/prices' },
  { name: 'Other ways to the same prints', to: '/shop/prices' },
  { name: 'People, their hours and work', to: '/shop/people' },
  { name: 'Calendar feed', to: '/shop/people' },
  { name: 'Recovery key of the codes', to: '/shop/people' },
  { name: 'Machines, bottles, readings and notes from a file', to: '/shop/bring-in' },
  { name: 'Backups: copies of the shop', to: '/shop/backups' },
  { name: 'Parts bin, donors', to: '/shelf/parts' },
  { name: 'Tools and small things', to: '/shelf/parts' },
  { name: 'To buy: what runs out when, and the cheapest order', to: '/shelf/buying' },
  { name: 'Suppliers and what they sell', to: '/shelf/suppliers' },
  { name: 'Waste bottles', to: '/shelf/waste' },
  { name: 'Labels for machines, lines, bottles, waste', to: '/shelf/labels' },
  { name: 'Where ink went, by month, machine and person', to: '/log/ink' },
  { name: 'What a month cost, and a sheet with its upkeep', to: '/log/month' },
  { name: 'What upkeep takes: ink, hands, money', to: '/log/burden' },
]

export interface Known {
  machines: Schemas['PlateJson'][]
  cases: Schemas['CaseLineJson'][]
  lots: Schemas['Lot'][]
  schools: Schemas['SchoolJson'][]
  jobs?: Schemas['JobLineJson'][]
}

/** Everything that can be found, the nearest to the bench first. */
export function everything({ machines, cases, lots, schools, jobs = [] }: Known): Found[] {
  return [
    ...machines.map((m) => ({ name: m.name, what: `${m.family} · ${m.bench}`, to: `/machines/${m.id}` })),
    ...machines.flatMap((m) =>
      m.card ? [{ name: `${m.name}: ${m.card.title}`, what: 'open card', to: `/cards/${m.card.id}` }] : [],
    ),
    ...cases.map((c) => ({
      name: `${c.name}: ${c.complaints.join(', ').toLowerCase()}`,
      what: c.endedAt ? 'closed case' : 'open case',
      to: `/clinic/${c.id}`,
    })),
    ...jobs.map((j) => ({ name: `${j.what}, for ${j.customer}`, what: `job, ${j.says}`, to: `/jobs/${j.id}` })),
    ...machines.flatMap((m) => ACTS.map((a) => ({ name: `${m.name}: ${a.words}`, what: 'machine', to: a.to(m.id) }))),
    ...PLACES.map((p) => ({ name: p.label, what: 'place', to: p.to })),
    { name: 'The week', what: 'place', to: '/round/week' },
    { name: 'Add a machine', what: 'place', to: '/machines/new' },
    { name: 'A new job', what: 'place', to: '/jobs/new' },
    ...SETTINGS.map((setting) => ({ ...setting, what: 'setting' })),
    ...schools.map((school) => ({ name: school.question, what: 'school', to: `/shop/ways#${school.school}` })),
    ...lots.map((l) => ({
      name: l.code,
      what: l.fluid ? 'cleaning fluid' : `bottle, ${l.channel ?? ''}`,
      to: '/shelf',
    })),
  ]
}

/** Those that a few letters mean, the likeliest first; a wrong letter or two is forgiven. */
export function found(all: Found[], letters: string): Found[] {
  const typed = letters.trim()
  if (!typed) return all.slice(0, MOST)
  const index = new Fuse(all, { keys: ['name'], threshold: 0.4, ignoreLocation: true, useTokenSearch: true })
  return index.search(typed, { limit: MOST }).map((r) => r.item)
}

const MOST = 8

/** What a machine says, and what happened: the server knows these, and is asked once somebody has typed a few letters. */
export function fromServer(messages: Schemas['Message'][], entries: Schemas['EntryJson'][]): Found[] {
  return [
    ...messages.slice(0, 3).map((m) => ({
      name: `“${m.wording}”`,
      what: `${m.meaning} ${m.act}`,
      to: `/clinic/messages?words=${encodeURIComponent(m.wording)}`,
    })),
    ...entries.slice(0, 4).map((e) => ({
      name: e.words,
      what: 'happened',
      to: e.card ? `/cards/${e.card}` : e.machine ? `/machines/${e.machine}/past` : '/log',
    })),
  ]
}
