import { say } from '../words';
/** The places of the application that work, each with its key after G. */
export const PLACES = [
  { path: '/tune', name: say('app.tune'), key: 't' },
  { path: '/drive', name: say('shared.drive'), key: 'v' },
  { path: '/supply', name: say('shared.supply'), key: 'u' },
  { path: '/cards', name: say('app.cards'), key: 'c' },
  { path: '/log', name: say('shared.log'), key: 'l' },
  { path: '/station', name: say('shared.station'), key: 's' },
  { path: '/practice', name: say('app.practice'), key: 'p' },
  { path: '/faults', name: say('app.faults'), key: 'x' },
] as const;

/** The keys that work, as the help shows them. */
export const KEY_HELP = [
  [say('app.space'), say('app.keyDownKeyUp')],
  [say('shared.enter'), say('app.doWhatTheNextMove')],
  [say('app.1To9'), say('app.thatBandBeforeARun')],
  ['R', say('app.takeReadingsOfAllMeters')],
  ['E', say('app.enterReadingsByHandTo')],
  ['Y', say('app.yesKeepADoubtfulEntry')],
  ['Z', say('app.undoTheLastStep')],
  ['← →', say('app.plateWithShiftFine')],
  ['↓ ↑', say('app.loadWithShiftFine')],
  ['D', say('app.driveOneStepUpWith')],
  ['M', say('app.mapAndBack')],
  ['F', say('app.glanceNextMoveDialsClock')],
  ['N', say('shared.sayTheNextMove')],
  [say('app.esc'), say('app.leaveAField')],
  [say('app.gThenTVU'), say('app.goToTuneDriveSupply')],
  ['B', say('app.bandChangeWhatToSet')],
  ['/ or Ctrl K', say('app.listOfCommands')],
  ['T', say('app.dayOrLampWithin')],
  ['?', say('app.theseKeys')],
] as const;
