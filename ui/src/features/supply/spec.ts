import { type Form, number, type Spec } from '../../parts/form';

/** A standard uncertainty is stored; after a ± stands half of a 95 % interval, which is 1.96 of it. */
export const U95 = 1 / 1.96;

const name: Spec = { type: 'text', path: 'name', label: 'Name' };

export const PLAN_FIELDS: Spec[] = [
  name,
  number('hoursPerDay', 'The station is on', 'h a day'),
  number('pricePerKilowattHour', 'A kilowatt-hour costs', 'in your money'),
];

export const LEAD_FIELDS: Spec[] = [
  number('lengthM', 'Length, one way', 'm'),
  number('areaM2', 'Each conductor', 'mm²', { inUnit: 1e-6 }),
  number('ambientC', 'Its surroundings', '°C'),
  number('fuseA', 'Fuse in it', 'A'),
  number('fuseOhm', 'Fuse and holder', 'mΩ', { inUnit: 0.001, hint: '4 where unknown' }),
  number('connectorsOhm', 'All connectors', 'mΩ', { inUnit: 0.001, hint: '3 where unknown' }),
];

export const CIRCUIT_FIELDS: Spec[] = [
  number('voltageAcRmsV', 'Voltage', 'V'),
  number('breakerA', 'Breaker', 'A'),
  number('continuousShare', 'May stand for hours', '%', { inUnit: 0.01, hint: '80 by custom; local code decides' }),
  number('othersA', 'Others on it', 'A'),
];

export const STANDBY_FIELDS: Spec[] = [
  number('chargingA', 'A panel or charger gives', 'A on average'),
  number('temperatureC', 'Temperature of the battery', '°C'),
];

const fuse = number('fuseA', 'Fuse', 'A', { optional: true, hint: 'leave empty where unknown' });

const profile = (path: string, label: string, optional?: Form): Spec => ({
  type: 'group',
  path,
  label,
  ...(optional ? { optional } : {}),
  fields: [
    { type: 'text', path: 'set', label: 'Set' },
    number('voltageV', 'Voltage at it, keyed', 'V'),
    number('listeningA', 'Listening', 'A'),
    {
      type: 'list',
      path: 'points',
      label: 'Keyed, at least twice: without output and at the most',
      item: 'point',
      inline: true,
      fresh: { outputW: 0, currentUncertaintyA: 0.2 * U95, outputUncertaintyW: 0 },
      fields: [
        number('outputW', 'Output', 'W'),
        number('currentA', 'Current', 'A'),
        number('currentUncertaintyA', '±', 'A', { inUnit: U95 }),
        number('outputUncertaintyW', 'Output ±', 'W', { inUnit: U95 }),
      ],
    },
  ],
});

export const STEADY_FIELDS: Spec[] = [
  name,
  number('currentA', 'Current', 'A'),
  fuse,
  {
    type: 'group',
    path: 'seriesDiodes',
    label: 'Behind diodes, where it wants less voltage',
    optional: { count: 1 },
    fields: [number('count', 'Diodes in series', '')],
  },
];

export const SET_FIELDS: Spec[] = [
  name,
  number('leastV', 'Needs at least', 'V', { hint: '13.8 V sets: 11.7 or 12.4, see the manual' }),
  number('mostV', 'Rated for, at most', 'V'),
  fuse,
  profile('profile', 'What it draws'),
  profile('lower', 'What it draws at another voltage', { set: '', points: [] }),
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
  { type: 'choice', path: 'box', label: 'Set', options: sets.map((one) => [one, one] as const) },
  number('fromS', 'From', 'min', { inUnit: 60 }),
  number('lengthS', 'for', 'min', { inUnit: 60 }),
  {
    type: 'variant',
    path: 'envelope',
    label: 'Mode',
    kinds: [
      { kind: 'constant', label: 'FM, RTTY, key-down', fresh: { kind: 'constant' }, fields: [] },
      {
        kind: 'keyed',
        label: 'on and off: CW text, slotted data',
        fresh: { kind: 'keyed', onShare: 0.5, slotS: 15 },
        fields: [
          number('onShare', 'On', '% of the time', { inUnit: 0.01, hint: 'CW text 45, slotted data 50' }),
          number('slotS', 'One stretch of it', 's', { hint: 'a dot 0.06, a slot 15' }),
        ],
      },
      {
        kind: 'speech',
        label: 'speech',
        fresh: { kind: 'speech', peakToAverageDb: 10, shape: 0.5 },
        fields: [
          number('peakToAverageDb', 'Peak over average', 'dB', { hint: 'plain 10, processed 6' }),
          number('shape', 'Shape', '', { hint: 'plain 0.5, processed 1.2' }),
        ],
      },
      {
        kind: 'amplitude',
        label: 'AM',
        fresh: { kind: 'amplitude', depth: 1 },
        fields: [number('depth', 'Modulation', '%', { inUnit: 0.01 })],
      },
    ],
  },
  number('peakEnvelopeW', 'Peak power', 'W'),
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
  { type: 'text', path: 'set', label: 'Set that is measured' },
  { type: 'text', path: 'supply', label: 'Supply that feeds it' },
  number('greatestW', 'Up to', 'W'),
];

export const HIGH_VOLTAGE_FIELDS: Spec[] = [
  name,
  number('loadA', 'Current at full output', 'A'),
  number('primaryRmsV', 'Mains', 'V'),
  {
    type: 'group',
    path: 'rectifier',
    label: 'Transformer and rectifier',
    fields: [
      {
        type: 'choice',
        path: 'circuit',
        label: 'Circuit',
        options: [
          ['BRIDGE', 'bridge'],
          ['DOUBLER', 'doubler'],
        ],
      },
      number('secondaryRmsV', 'Secondary without load', 'V rms'),
      number('sourceOhm', 'Resistance seen there', 'Ω', {
        hint: 'winding, and the primary by the square of the turns',
      }),
      number('frequencyHz', 'Mains frequency', 'Hz'),
      number('diodesInSeries', 'Diodes in each leg', ''),
      number('diodeRatedV', 'Each blocks', 'V'),
      number('diodeSurgeA', 'Each is rated for, half a cycle', 'A'),
    ],
  },
  {
    type: 'group',
    path: 'bank',
    label: 'Capacitors in series',
    fields: [
      number('count', 'How many', ''),
      number('eachF', 'Each', 'µF', { inUnit: 1e-6 }),
      number('eachRatedV', 'rated', 'V'),
      number('leakSpreadA', 'Leakage differs by', 'mA', { inUnit: 0.001, hint: '1 where unknown' }),
      number('resistorOhm', 'Resistor across each', 'kΩ', { inUnit: 1000 }),
      number('resistorTolerance', 'within ±', '%', { inUnit: 0.01 }),
      number('resistorRatedW', 'rated', 'W'),
      number('bleederOhm', 'Bleeder across all', 'kΩ', { inUnit: 1000, optional: true }),
    ],
  },
  {
    type: 'group',
    path: 'softStart',
    label: 'Soft start in the primary',
    optional: { ohm: 22, ratedJ: 500, bridgedAfterS: 1 },
    fields: [
      number('ohm', 'Resistor', 'Ω'),
      number('ratedJ', 'rated for at once', 'J'),
      number('bridgedAfterS', 'bridged after', 's'),
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
