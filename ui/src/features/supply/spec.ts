import { type Form, number, type Spec } from '../../parts/form';
import { say } from '../../words';

/** A standard uncertainty is stored; after a ± stands half of a 95 % interval, which is 1.96 of it. */
export const U95 = 1 / 1.96;

const name: Spec = { type: 'text', path: 'name', label: say('shared.name') };

export const PLAN_FIELDS: Spec[] = [
  name,
  number('hoursPerDay', say('supply.theStationIsOn'), say('supply.hADay')),
  number('pricePerKilowattHour', say('supply.aKilowattHourCosts'), say('supply.inYourMoney')),
];

export const LEAD_FIELDS: Spec[] = [
  number('lengthM', say('supply.lengthOneWay'), 'm'),
  number('areaM2', say('supply.eachConductor'), 'mm²', { inUnit: 1e-6 }),
  number('ambientC', say('supply.itsSurroundings'), '°C'),
  number('fuseA', say('supply.fuseInIt'), 'A'),
  number('fuseOhm', say('supply.fuseAndHolder'), 'mΩ', { inUnit: 0.001, hint: say('supply.4WhereUnknown') }),
  number('connectorsOhm', say('supply.allConnectors'), 'mΩ', { inUnit: 0.001, hint: say('supply.3WhereUnknown') }),
];

export const CIRCUIT_FIELDS: Spec[] = [
  number('voltageAcRmsV', say('shared.voltage'), 'V'),
  number('breakerA', say('supply.breaker'), 'A'),
  number('continuousShare', say('supply.mayStandForHours'), '%', {
    inUnit: 0.01,
    hint: say('supply.80ByCustomLocalCode'),
  }),
  number('othersA', say('supply.othersOnIt'), 'A'),
];

export const STANDBY_FIELDS: Spec[] = [
  number('chargingA', say('supply.aPanelOrChargerGives'), say('supply.aOnAverage')),
  number('temperatureC', say('supply.temperatureOfTheBattery'), '°C'),
];

const fuse = number('fuseA', say('supply.fuse'), 'A', { optional: true, hint: say('shared.leaveEmptyWhereUnknown') });

const profile = (path: string, label: string, optional?: Form): Spec => ({
  type: 'group',
  path,
  label,
  ...(optional ? { optional } : {}),
  fields: [
    { type: 'text', path: 'set', label: say('shared.set') },
    number('voltageV', say('supply.voltageAtItKeyed'), 'V'),
    number('listeningA', say('supply.listening'), 'A'),
    {
      type: 'list',
      path: 'points',
      label: say('supply.keyedAtLeastTwiceWithout'),
      item: say('shared.point'),
      inline: true,
      fresh: { outputW: 0, currentUncertaintyA: 0.2 * U95, outputUncertaintyW: 0 },
      fields: [
        number('outputW', say('shared.outputHead'), 'W'),
        number('currentA', say('supply.current'), 'A'),
        number('currentUncertaintyA', '±', 'A', { inUnit: U95 }),
        number('outputUncertaintyW', say('supply.output'), 'W', { inUnit: U95 }),
      ],
    },
  ],
});

export const STEADY_FIELDS: Spec[] = [
  name,
  number('currentA', say('supply.current'), 'A'),
  fuse,
  {
    type: 'group',
    path: 'seriesDiodes',
    label: say('supply.behindDiodesWhereItWants'),
    optional: { count: 1 },
    fields: [number('count', say('supply.diodesInSeries'), '')],
  },
];

export const SET_FIELDS: Spec[] = [
  name,
  number('leastV', say('supply.needsAtLeast'), 'V', { hint: say('supply.138VSets11') }),
  number('mostV', say('supply.ratedForAtMost'), 'V'),
  fuse,
  profile('profile', say('supply.whatItDraws')),
  profile('lower', say('supply.whatItDrawsAtAnother'), { set: '', points: [] }),
];

export const FRESH_SET: Form = {
  kind: 'transmitting',
  name: '',
  leastV: 11.7,
  mostV: 15.8,
  profile: {
    set: '',
    voltageV: 13.8,
    points: [
      { outputW: 0, currentUncertaintyA: 0.2 * U95, outputUncertaintyW: 0 },
      { currentUncertaintyA: 0.5 * U95, outputUncertaintyW: 5 * U95 },
    ],
  },
};

export const FRESH_BOX: Form = { kind: 'steady', name: '' };

/** How a set is used: who, from when, how long, in which mode, with what power. */
export const stretchFields = (sets: string[]): Spec[] => [
  { type: 'choice', path: 'box', label: say('shared.set'), options: sets.map((one) => [one, one] as const) },
  number('fromS', say('shared.from'), 'min', { inUnit: 60 }),
  number('lengthS', say('supply.for'), 'min', { inUnit: 60 }),
  {
    type: 'variant',
    path: 'envelope',
    label: say('shared.mode'),
    kinds: [
      { kind: 'constant', label: say('supply.fmRTTYKeyDown'), fresh: { kind: 'constant' }, fields: [] },
      {
        kind: 'keyed',
        label: say('supply.onAndOffCWText'),
        fresh: { kind: 'keyed', onShare: 0.5, slotS: 15 },
        fields: [
          number('onShare', say('supply.on'), say('supply.ofTheTime'), {
            inUnit: 0.01,
            hint: say('supply.cwText45SlottedData'),
          }),
          number('slotS', say('supply.oneStretchOfIt'), 's', { hint: say('supply.aDot006A') }),
        ],
      },
      {
        kind: 'speech',
        label: say('shared.speech'),
        fresh: { kind: 'speech', peakToAverageDb: 10, shape: 0.5 },
        fields: [
          number('peakToAverageDb', say('supply.peakOverAverage'), 'dB', {
            hint: say('supply.plainAndProcessedPeakHint'),
          }),
          number('shape', say('supply.shape'), '', { hint: say('supply.plainAndProcessedShapeHint') }),
        ],
      },
      {
        kind: 'amplitude',
        label: 'AM',
        fresh: { kind: 'amplitude', depth: 1 },
        fields: [number('depth', say('supply.modulation'), '%', { inUnit: 0.01 })],
      },
    ],
  },
  number('peakEnvelopeW', say('supply.peakPower'), 'W'),
];

export const FRESH_STRETCH: Form = {
  fromS: 0,
  lengthS: 300,
  envelope: { kind: 'speech', peakToAverageDb: 10, shape: 0.5 },
  peakEnvelopeW: 100,
};

export const FRESH_PLAN: Form = {
  name: '',
  hoursPerDay: 2,
  pricePerKilowattHour: 0.3,
  boxes: [],
  pattern: [],
  lead: { lengthM: 2, areaM2: 6e-6, ambientC: 25, fuseA: 25, fuseOhm: 0.004, connectorsOhm: 0.003 },
  circuit: { voltageAcRmsV: 230, breakerA: 16, continuousShare: 0.8, othersA: 0 },
  wishes: [],
};

export const PROFILE_FIELDS: Spec[] = [
  name,
  { type: 'text', path: 'set', label: say('supply.setThatIsMeasured') },
  { type: 'text', path: 'supply', label: say('supply.supplyThatFeedsIt') },
  number('greatestW', say('supply.upTo'), 'W'),
];

export const HIGH_VOLTAGE_FIELDS: Spec[] = [
  name,
  number('loadA', say('shared.currentAtFullOutput'), 'A'),
  number('primaryRmsV', say('shared.mains'), 'V'),
  {
    type: 'group',
    path: 'rectifier',
    label: say('supply.transformerAndRectifier'),
    fields: [
      {
        type: 'choice',
        path: 'circuit',
        label: say('supply.circuit'),
        options: [
          ['BRIDGE', say('supply.bridge')],
          ['DOUBLER', say('supply.doubler')],
        ],
      },
      number('secondaryRmsV', say('supply.secondaryWithoutLoad'), 'V rms'),
      number('sourceOhm', say('supply.resistanceSeenThere'), 'Ω', {
        hint: say('supply.windingAndThePrimaryBy'),
      }),
      number('frequencyHz', say('supply.mainsFrequency'), 'Hz'),
      number('diodesInSeries', say('supply.diodesInEachLeg'), ''),
      number('diodeRatedV', say('supply.eachBlocks'), 'V'),
      number('diodeSurgeA', say('supply.eachIsRatedForHalf'), 'A'),
    ],
  },
  {
    type: 'group',
    path: 'bank',
    label: say('supply.capacitorsInSeries'),
    fields: [
      number('count', say('supply.howMany'), ''),
      number('eachF', say('supply.each'), 'µF', { inUnit: 1e-6 }),
      number('eachRatedV', say('supply.rated'), 'V'),
      number('leakSpreadA', say('supply.leakageDiffersBy'), 'mA', { inUnit: 0.001, hint: say('supply.1WhereUnknown') }),
      number('resistorOhm', say('supply.resistorAcrossEach'), 'kΩ', { inUnit: 1000 }),
      number('resistorTolerance', say('supply.within'), '%', { inUnit: 0.01 }),
      number('resistorRatedW', say('supply.rated'), 'W'),
      number('bleederOhm', say('supply.bleederAcrossAll'), 'kΩ', { inUnit: 1000, optional: true }),
    ],
  },
  {
    type: 'group',
    path: 'softStart',
    label: say('supply.softStartInThePrimary'),
    optional: { ohm: 22, ratedJ: 500, bridgedAfterS: 1 },
    fields: [
      number('ohm', say('supply.resistor'), 'Ω'),
      number('ratedJ', say('supply.ratedForAtOnce'), 'J'),
      number('bridgedAfterS', say('supply.bridgedAfter'), 's'),
    ],
  },
];

export const FRESH_HIGH_VOLTAGE: Form = {
  name: '',
  loadA: 0.6,
  primaryRmsV: 230,
  rectifier: {
    circuit: 'BRIDGE',
    secondaryRmsV: 2000,
    sourceOhm: 60,
    frequencyHz: 50,
    diodesInSeries: 6,
    diodeRatedV: 1000,
    diodeSurgeA: 60,
  },
  bank: {
    count: 8,
    eachF: 220e-6,
    eachRatedV: 450,
    leakSpreadA: 0.001,
    resistorOhm: 47_000,
    resistorTolerance: 0.05,
    resistorRatedW: 10,
  },
};
