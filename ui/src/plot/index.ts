export { DialRuler } from './DialRuler';
export { Envelope, outputAt, Trapezoid } from './Envelope';
export { Flows } from './Flows';
export { Impedance } from './Impedance';
export { Ring } from './Ring';
export { RoomRuler } from './RoomRuler';
export { Stair, type StairColumn } from './Stair';
export { saveCsv, savePng, saveSvg } from './saveChart';
export { Trend } from './Trend';
