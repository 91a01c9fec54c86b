import { say } from '../words';

/** What is read, by its code, as it stands within a sentence. */
export const ROLE_NAMES: Readonly<Record<string, string>> = {
  OUTPUT: say('shared.output'),
  PLATE_CURRENT: say('shared.plateCurrent'),
  GRID_CURRENT: say('shared.gridCurrent'),
  SCREEN_CURRENT: say('station.screenCurrent'),
  PLATE_VOLTAGE: say('station.plateVoltage'),
  REFLECTED: say('shared.reflectedPower'),
  INPUT_SWR: say('shared.inputSWR'),
  SUPPLY_CURRENT: say('station.supplyCurrent'),
  SUPPLY_VOLTAGE: say('station.supplyVoltage'),
  INPUT_POWER: say('station.driveAtTheInput'),
  HEAT_SINK: say('station.heatSink'),
  ALC_GAUGE: say('station.alcGaugeOfTheExciter'),
  SENSE_VOLTAGE: say('station.dropOverASenseResistor'),
  DEVICE_CURRENT: say('station.currentOfOneDevice'),
  GATE_VOLTAGE: say('station.gateVoltage'),
  GATE_RF: say('station.gateRFPeakToPeak'),
  OUTPUT_VPP: say('station.outputPeakToPeak'),
  PHASE: say('station.phaseInMarksFromIts'),
  LINE_VOLTAGE: say('station.lineVolts'),
  LINE_CURRENT: say('station.lineAmperes'),
  SIGNAL_WIDTH: say('station.widthOfTheSignalOn'),
};
