export { DialRuler } from './DialRuler';
export { Ring } from './Ring';
export { RoomRuler } from './RoomRuler';
export { Stair, type StairColumn } from './Stair';
export { savePng, saveSvg } from './saveChart';
