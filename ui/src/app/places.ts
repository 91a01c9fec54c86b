/** The places of the application that work, each with its key after G. */
export const PLACES = [
  { path: '/tune', name: 'Tune', key: 't' },
  { path: '/drive', name: 'Drive', key: 'v' },
  { path: '/supply', name: 'Supply', key: 'u' },
  { path: '/cards', name: 'Cards', key: 'c' },
  { path: '/log', name: 'Log', key: 'l' },
  { path: '/station', name: 'Station', key: 's' },
] as const;

/** The keys that work, as the help shows them. */
export const KEY_HELP = [
  ['Space', 'key down, key up'],
  ['Enter', 'do what the next move says'],
  ['1 to 9', 'that band, before a run is begun'],
  ['R', 'take readings of all meters with a source; else to the first empty row'],
  ['E', 'enter readings by hand: to the first empty row'],
  ['Y', 'yes: keep a doubtful entry'],
  ['Z', 'undo the last step'],
  ['← →', 'PLATE; with Shift fine'],
  ['↓ ↑', 'LOAD; with Shift fine'],
  ['D', 'drive one step up; with Shift down'],
  ['M', 'map, and back'],
  ['F', 'glance: next move, dials, clock and the nearest limit fill the screen; and back'],
  ['N', 'say the next move'],
  ['Esc', 'leave a field'],
  ['G then T V U C L S', 'go to Tune, Drive, Supply, Cards, Log, Station'],
  ['B', 'band change: what to set first'],
  ['/ or Ctrl K', 'list of commands'],
  ['T', 'day or lamp'],
  ['?', 'these keys'],
] as const;
