const EVERY = 2000 // ms
const INKS = { K: '#2b2b30', C: '#1689b5', M: '#bb2f74', Y: '#b98d00', LC: '#5fa9c2', LM: '#c46f9c', GY: '#77797f', PK: '#46464f' }
const ACTS = [
  ['Check', 'print a check', false],
  ['Clean', 'a cleaning', false],
  ['PowerClean', 'a power cleaning', false],
  ['Purge', 'a purge sheet, 1 mL', true, '1'],
  ['DrawAtWasteLine', 'draw 5 mL at the waste line', true, '5'],
  ['FluidAtInlet', 'fluid at the inlet, 2 mL', true, '2'],
  ['Soak', 'soak on a damp cloth, 10 min', false, '10'],
  ['OvernightSoak', 'rest on a wet cap overnight', false],
  ['WipePlate', 'wipe the plate', false],
  ['CleanCap', 'clean the cap', false],
  ['NewDamper', 'a new damper', true],
  ['OpenVent', 'open its vent', true],
  ['Agitate', 'stir its vessel', true],
  ['Fill', 'pour in 20 mL', true, '20'],
  ['NewPad', 'a new waste pad', false],
  ['NewHead', 'a new head', false],
]

const $ = (id) => document.getElementById(id)
let state
let shown = ''
let picture

function el(tag, properties = {}, ...children) {
  const made = Object.assign(document.createElement(tag), properties)
  made.append(...children)
  return made
}

const key = (name) => name.toLowerCase()
const chosen = () => state.machines.find((m) => key(m.name) === location.hash.slice(1)) ?? state.machines[0]
const silent = (channel) => [...channel.nozzles].filter((n) => n !== '.').length
const sum = (numbers) => numbers.reduce((a, b) => a + b, 0)
const clock = (at) => new Date(at).toLocaleTimeString('en-GB', { timeZone: 'Europe/London', hour: '2-digit', minute: '2-digit' })
const day = (at) => new Date(at).toLocaleDateString('en-GB', { timeZone: 'Europe/London', weekday: 'short', day: 'numeric', month: 'short' })

function printer(pages) {
  const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg')
  svg.setAttribute('viewBox', '0 0 74 48')
  svg.setAttribute('aria-hidden', 'true')
  const draw = (tag, attributes) => {
    const shape = document.createElementNS('http://www.w3.org/2000/svg', tag)
    Object.entries(attributes).forEach(([name, value]) => shape.setAttribute(name, value))
    svg.append(shape)
  }
  draw('rect', { x: 8, y: 12, width: 58, height: 22, rx: 5, fill: '#3b4252' })
  draw('rect', { x: 14, y: 6, width: 46, height: 7, rx: 2, fill: '#596174' })
  draw('rect', { x: 17, y: 27, width: 40, height: 3, rx: 1, fill: '#12151d' })
  for (let i = 0; i < Math.min(3, pages); i++) {
    draw('rect', { x: 19 + i, y: 29 + 3 * i, width: 36, height: 13, fill: '#fdfbf5', stroke: '#8b8d93' })
  }
  return svg
}

/** One row of teeth: what is open stands, what is not is told by its shape. */
function comb(channel) {
  const canvas = el('canvas', { width: 900, height: 52 })
  const shut = [...channel.nozzles].flatMap((n, i) => (n === '.' ? [] : [i + 1]))
  canvas.setAttribute('role', 'img')
  canvas.setAttribute('aria-label', `${channel.code}: ${shut.length ? 'silent are ' + shut.join(', ') : 'all open'}`)
  const g = canvas.getContext('2d')
  const step = 900 / channel.nozzles.length
  ;[...channel.nozzles].forEach((n, i) => {
    const x = i * step
    if (n === '.') {
      g.fillStyle = INKS[channel.code] ?? '#8aa0b8'
      g.fillRect(x, 2, Math.max(2, step * 0.6), 48)
    } else if (n === 's') {
      g.fillStyle = '#d9d2c1'
      g.fillRect(x, 2, Math.max(2, step * 0.6), 48)
    } else if (n === 'b') {
      g.strokeStyle = '#1d3461'
      g.lineWidth = 2
      g.beginPath()
      g.arc(x + step * 0.3, 26, 5, 0, 7)
      g.stroke()
    } else {
      g.fillStyle = n === 'd' ? '#b03420' : '#8a6a34'
      g.fillRect(x, n === 'd' ? 38 : 16, Math.max(3, step * 0.7), n === 'd' ? 12 : 22)
    }
  })
  return canvas
}

function wrong(channel) {
  const share = (x) => `${Math.round(100 * x)} %`
  return [
    channel.filter > 0.35 && `its filter is loaded, ${share(channel.filter)}`,
    channel.air > 0.15 && `${channel.air.toFixed(1)} mL of air in its line`,
    channel.settled > 0.3 && `settled in its line, ${share(channel.settled)}`,
    channel.foreign > 0.03 && `${share(channel.foreign)} of another ink`,
    channel.ventShut && 'its vent is stuck over',
    channel.level < 0.05 * channel.capacity && 'its vessel is all but empty',
  ].filter(Boolean)
}

function row(channel) {
  const n = silent(channel)
  const line = el(
    'div',
    { className: 'channel' },
    el('b', { textContent: channel.code }),
    comb(channel),
    el('span', {
      className: 'count',
      textContent: `${n ? `${n} silent` : 'all open'} · ${channel.level.toFixed(0)} of ${channel.capacity.toFixed(0)} mL`,
    }),
  )
  const words = wrong(channel)
  if (words.length) {
    line.append(el('span', { className: 'wrong', textContent: words.join('; ') }))
  }
  return line
}

function showBench() {
  $('clock').textContent = `${day(state.at)}, ${clock(state.at)}`
  $('air').textContent = `${state.air.celsius.toFixed(1)} °C, ${Math.round(state.air.humidity)} % humidity`
  const machine = chosen()
  $('machines').replaceChildren(
    ...state.machines.map((m) => {
      const n = sum(m.inside.map(silent))
      const ill = n > 0 || m.inside.some((c) => wrong(c).length)
      return el(
        'button',
        {
          type: 'button',
          onclick: () => {
            location.hash = key(m.name)
          },
          ariaPressed: String(m === machine),
        },
        printer(m.pages),
        el('b', { textContent: m.name }),
        el('small', { textContent: m.paperOut ? 'paper out' : n ? `${n} silent` : ill ? 'not well' : 'well' }),
      )
    }),
  )
}

function showMachine() {
  const m = chosen()
  $('machine').hidden = false
  document.title = `${m.name} · The simulated bench`
  const words = [m.profile, m.printer, `pad ${Math.round(100 * m.pad)} % full`]
  if (m.leak > 0.3) words.push(`its cap lets air by, ${Math.round(100 * m.leak)} %`)
  $('whole').textContent = words.join(' · ')
  $('channels').replaceChildren(...m.inside.map(row))
  const newest = m.pages ? `/tray/${key(m.name)}/0.png?${m.pages}-${m.lately.length}-${m.lately.at(-1)?.at ?? ''}` : ''
  if (newest !== picture) {
    picture = newest
    $('page').replaceChildren(
      newest
        ? el('img', { src: newest, alt: `The newest page in ${m.name}’s tray`, })
        : el('p', { className: 'told', textContent: 'Nothing was printed yet. Print a sheet in Fair Kettle, or a check by hand.' }),
    )
  }
  const link = (href, textContent) => el('a', { href, textContent })
  $('pictures').replaceChildren(
    link(`/tray/${key(m.name)}/check.jpg`, 'Photograph its own check'),
    ...(m.white ? [link(`/tray/${key(m.name)}/white.jpg`, 'its white check, on film')] : []),
    ...(m.pages ? [link(`/tray/${key(m.name)}/0.jpg`, 'photograph this page'), link(`/tray/${key(m.name)}/0.jpg?with=scanner`, 'scan it')] : []),
  )
  const most = Math.max(1, ...m.lately.map((h) => sum(Object.values(h.silent))))
  $('nothing').hidden = m.lately.length > 0
  $('happened').replaceChildren(
    ...m.lately
      .toReversed()
      .map((h) => {
        const n = sum(Object.values(h.silent))
        const bar = el('span', { className: 'bar' })
        bar.style.width = `${(100 * n) / most}%`
        return el(
          'li',
          {},
          el('span', { textContent: `${day(h.at) === day(state.at) ? '' : `${day(h.at)} `}${clock(h.at)}` }),
          el('span', { textContent: h.what }),
          el('span', { className: 'track' }, bar),
          el('span', { className: 'few', textContent: n ? `${n} silent` : 'all open' }),
        )
      }),
  )
  if (shown !== m.name) {
    shown = m.name
    $('said').textContent = ''
    choices(m)
  }
}

function choices(m) {
  const fill = (id, options) => $(id).replaceChildren(...options.map(([value, textContent]) => el('option', { value, textContent })))
  fill('trouble', state.troubles.map((t) => [t.name, t.label]))
  fill('act', ACTS.map(([name, label]) => [name, label]))
  for (const which of ['trouble', 'act']) {
    fill(`${which}-channel`, m.inside.map((c) => [c.code, c.code]))
    $(which).onchange = () => {
      const one =
        which === 'trouble'
          ? state.troubles.find((t) => t.name === $(which).value).ofChannel
          : ACTS.find(([name]) => name === $(which).value)[2]
      $(`${which}-channel`).disabled = !one
    }
    $(which).onchange()
  }
}

async function send(path, body, words) {
  const answer = await fetch(`${path}/${key(chosen().name)}`, { method: 'POST', body })
  $('said').textContent = answer.ok ? `${chosen().name}: ${words}` : await answer.text()
  await look()
}

const picked = (id) => $(id).selectedOptions[0].textContent
const channel = (id) => ($(id).disabled ? '' : $(id).value)

$('trouble-form').onsubmit = (e) => {
  e.preventDefault()
  void send('/spoil', `${$('trouble').value} ${channel('trouble-channel')}`, `${picked('trouble')} ${channel('trouble-channel')}`)
}
$('act-form').onsubmit = (e) => {
  e.preventDefault()
  const [name, , , amount] = ACTS.find(([n]) => n === $('act').value)
  void send('/act', [name, channel('act-channel'), amount].filter(Boolean).join(' '), `${picked('act')} ${channel('act-channel')}`)
}
$('well').onclick = () => send('/spoil', 'WELL', 'all well')

function show() {
  const at = document.activeElement?.closest('#machines') ? location.hash : null
  showBench()
  showMachine()
  if (at !== null) $('machines').querySelector('[aria-pressed=true]')?.focus()
}

async function look() {
  try {
    state = await (await fetch('/state')).json()
    show()
  } catch {
    $('clock').textContent = 'The bench does not answer.'
  }
}

addEventListener('hashchange', () => state && show())
await look()
setInterval(look, EVERY)
