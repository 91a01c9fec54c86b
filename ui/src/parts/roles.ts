import { say } from '../words';

/** What is read, by its code, as it stands within a sentence. */
export const ROLE_NAMES: Readonly<Record<string, string>> = {
  OUTPUT: say('shared.output'),
  OTHER_OUTPUT: say('shared.outputOfTheSecondMeter'),
  PLATE_CURRENT: say('shared.plateCurrent'),
  GRID_CURRENT: say('shared.gridCurrent'),
  SCREEN_CURRENT: say('shared.screenCurrent'),
  PLATE_VOLTAGE: say('shared.plateVoltage'),
  REFLECTED: say('shared.reflectedPower'),
  INPUT_SWR: say('shared.inputSWR'),
  SUPPLY_CURRENT: say('shared.supplyCurrent'),
  SUPPLY_VOLTAGE: say('shared.supplyVoltage'),
  INPUT_POWER: say('shared.driveAtTheInput'),
  HEAT_SINK: say('shared.heatSink'),
  ALC_GAUGE: say('shared.alcGaugeOfTheExciter'),
  SENSE_VOLTAGE: say('shared.dropOverASenseResistor'),
  DEVICE_CURRENT: say('shared.currentOfOneDevice'),
  GATE_VOLTAGE: say('shared.gateVoltage'),
  GATE_RF: say('shared.gateRFPeakToPeak'),
  OUTPUT_VPP: say('shared.outputPeakToPeak'),
  PHASE: say('shared.phaseInMarksFromIts'),
  LINE_VOLTAGE: say('shared.lineVolts'),
  LINE_CURRENT: say('shared.lineAmperes'),
  SIGNAL_WIDTH: say('shared.widthOfTheSignalOn'),
};
