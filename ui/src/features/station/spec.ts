import { type Form, number, type Option, type Spec } from '../../parts/form';

export const BANDS: Option[] = [
  ['KHZ_137', '137 kHz'],
  ['KHZ_472', '472 kHz'],
  ['MHZ_1_8', '1.8 MHz'],
  ['MHZ_3_5', '3.5 MHz'],
  ['MHZ_5', '5 MHz'],
  ['MHZ_7', '7 MHz'],
  ['MHZ_10', '10 MHz'],
  ['MHZ_14', '14 MHz'],
  ['MHZ_18', '18 MHz'],
  ['MHZ_21', '21 MHz'],
  ['MHZ_24', '24 MHz'],
  ['MHZ_28', '28 MHz'],
  ['MHZ_50', '50 MHz'],
];

const MODES: Option[] = ['CW', 'SSB', 'AM', 'FM', 'RTTY', 'DATA'].map((mode) => [mode, mode] as const);

const ROLES: Option[] = [
  ['OUTPUT', 'output'],
  ['PLATE_CURRENT', 'plate current'],
  ['GRID_CURRENT', 'grid current'],
  ['SCREEN_CURRENT', 'screen current'],
  ['PLATE_VOLTAGE', 'plate voltage'],
  ['REFLECTED', 'reflected power'],
  ['INPUT_SWR', 'input SWR'],
  ['SUPPLY_CURRENT', 'supply current'],
  ['SUPPLY_VOLTAGE', 'supply voltage'],
  ['INPUT_POWER', 'drive at the input'],
  ['HEAT_SINK', 'heat sink'],
  ['ALC_GAUGE', 'ALC gauge of the exciter'],
  ['SENSE_VOLTAGE', 'drop over a sense resistor'],
  ['DEVICE_CURRENT', 'current of one device'],
  ['GATE_VOLTAGE', 'gate voltage'],
  ['GATE_RF', 'gate RF, peak to peak'],
  ['OUTPUT_VPP', 'output, peak to peak'],
  ['PHASE', 'phase, in marks from its middle'],
  ['LINE_VOLTAGE', 'line volts'],
  ['LINE_CURRENT', 'line amperes'],
  ['SIGNAL_WIDTH', 'width of the signal on a display'],
];

const HERTZ: Option[] = [['HZ', 'Hz']];
const MARKS: Option[] = [['MARKS', 'marks, bars or dB of its own']];

const WATTS: Option[] = [
  ['W', 'W'],
  ['KW', 'kW'],
];
const AMPERES: Option[] = [
  ['A', 'A'],
  ['MA', 'mA'],
];
const VOLTS: Option[] = [
  ['V', 'V'],
  ['MV', 'mV'],
  ['KV', 'kV'],
];
const RATIOS: Option[] = [['ONE', 'no unit']];
const DEGREES: Option[] = [['C', '°C']];

/** Returns the scales that a meter of a quantity can have. */
function scalesOf(role: string): Option[] {
  if (role === 'OUTPUT' || role === 'REFLECTED' || role === 'INPUT_POWER') return WATTS;
  if (role === 'HEAT_SINK') return DEGREES;
  if (role === 'SIGNAL_WIDTH') return HERTZ;
  if (role === 'ALC_GAUGE' || role === 'PHASE') return MARKS;
  if (role.endsWith('CURRENT')) return AMPERES;
  return role.endsWith('VOLTAGE') || role === 'GATE_RF' || role === 'OUTPUT_VPP' ? VOLTS : RATIOS;
}

const name: Spec = { type: 'text', path: 'name', label: 'Name' };
const dial = (path: string, label: string): Spec => ({
  type: 'group',
  path,
  label,
  fields: [
    number('least', `${label} from`, ''),
    number('most', `${label} to`, ''),
    number('markStep', `${label} numbered every`, ''),
  ],
});

const TUBE: Spec = {
  type: 'group',
  path: 'tube',
  label: 'Tube, by its sheet',
  fields: [
    { type: 'text', path: 'name', label: 'Type' },
    {
      type: 'choice',
      path: 'construction',
      label: 'Kind',
      options: [
        ['TRIODE', 'triode'],
        ['TETRODE', 'tetrode'],
      ],
    },
    number('plateDissipationW', 'Plate dissipation, each', 'W'),
    number('plateVoltageLimitDcV', 'Plate voltage, at most', 'V'),
    number('plateCurrentLimitA', 'Most plate current, each', 'A'),
    number('gridCurrentLimitA', 'Most grid current, each', 'A'),
    number('screenCurrentLimitA', 'Most screen current, each', 'A', { optional: true, hint: 'tetrodes' }),
    number('warmUpS', 'Warm-up', 's'),
  ],
};

const FRESH_TUBES: Form = {
  kind: 'tubes',
  tube: { name: '', construction: 'TRIODE', warmUpS: 180 },
  tubeCount: 1,
  plate: { least: 0, most: 10, markStep: 1 },
  load: { least: 0, most: 10, markStep: 1 },
  loadSense: 'MORE_IS_HEAVIER',
  feedThroughFraction: 0.75,
  tankEfficiency: 0.95,
};

const STAGE: Spec = {
  type: 'variant',
  path: 'stage',
  label: 'Stage',
  kinds: [
    {
      kind: 'tubes',
      label: 'tubes with PLATE and LOAD',
      fresh: FRESH_TUBES,
      fields: [
        TUBE,
        number('tubeCount', 'Tubes', ''),
        number('plateVoltageRestDcV', 'Plate voltage at rest', 'V'),
        number('restingPlateCurrentA', 'Plate current at rest', 'A'),
        number('plateCurrentLimitA', 'Most plate current, in all', 'A'),
        number('gridCurrentLimitA', 'Most grid current, in all', 'A'),
        dial('plate', 'PLATE'),
        dial('load', 'LOAD'),
        {
          type: 'choice',
          path: 'loadSense',
          label: 'More on LOAD is',
          options: [
            ['MORE_IS_HEAVIER', 'heavier (less capacitance)'],
            ['MORE_IS_LIGHTER', 'lighter (more capacitance)'],
          ],
        },
        number('feedThroughFraction', 'Drive that passes through', '%', {
          inUnit: 0.01,
          hint: 'cathode-driven 60 to 90, grid-driven 0',
        }),
        number('tankEfficiency', 'Tank efficiency', '%', { inUnit: 0.01, hint: '95 where unknown' }),
      ],
    },
    {
      kind: 'transistors',
      label: 'transistors, no dials',
      fresh: { kind: 'transistors' },
      fields: [
        number('supplyVoltageDcV', 'Supply voltage', 'V'),
        number('supplyCurrentLimitA', 'Supply current, at most', 'A'),
      ],
    },
    {
      kind: 'switching',
      label: 'transistors that switch: the supply sets the power',
      fresh: { kind: 'switching', moduleCount: 1 },
      fields: [
        number('driveW', 'Drive that it wants', 'W'),
        number('leastSupplyDcV', 'Supply voltage, at least', 'V'),
        number('mostSupplyDcV', 'Supply voltage, at most', 'V'),
        number('supplyCurrentLimitA', 'Supply current, at most', 'A'),
        number('moduleCount', 'Modules', ''),
        number('sinkKPerW', 'Heat sink, rise', 'K/W', { optional: true, hint: 'leave empty where unknown' }),
      ],
    },
  ],
};

const ACCURACY: Spec = {
  type: 'variant',
  path: 'accuracy',
  label: 'Class',
  kinds: [
    {
      kind: 'ofFullScale',
      label: 'of full scale',
      fresh: { kind: 'ofFullScale', fraction: 0.05 },
      fields: [number('fraction', '±', '% of full scale', { inUnit: 0.01, hint: 'power meters 5, panel meters 3' })],
    },
    {
      kind: 'ofReading',
      label: 'of reading, digital',
      fresh: { kind: 'ofReading', fraction: 0.01, digit: 0 },
      fields: [
        number('fraction', '±', '% of reading', { inUnit: 0.01 }),
        number('digit', 'and last digit', '', { hint: 'in W, A or V' }),
      ],
    },
  ],
};

/** What can be described, with its form and what a new one begins with. */
export const KINDS: Record<string, { name: string; fields: Spec[]; fresh: Form }> = {
  amplifier: {
    name: 'Amplifier',
    fresh: { kind: 'amplifier', name: '', stage: FRESH_TUBES, bands: [], chart: [] },
    fields: [
      name,
      number('driveLimitW', 'Drive, at most', 'W'),
      number('ratedOutputW', 'Output that the maker claims', 'W'),
      number('relayTimeS', 'Time its relay needs', 'ms', {
        inUnit: 0.001,
        optional: true,
        hint: 'leave empty where unknown',
      }),
      { type: 'many', path: 'bands', label: 'Bands', options: BANDS },
      STAGE,
      {
        type: 'list',
        path: 'chart',
        label: "Maker's chart",
        item: 'row',
        fresh: { band: 'MHZ_7' },
        fields: [
          { type: 'choice', path: 'band', label: 'Band', options: BANDS },
          number('plate', 'PLATE', ''),
          number('load', 'LOAD', ''),
        ],
      },
      {
        type: 'group',
        path: 'modeSwitch',
        label: 'CW/SSB switch of its own',
        optional: { at: 'SSB', positions: [{ name: 'SSB' }, { name: 'CW' }] },
        fields: [
          { type: 'text', path: 'at', label: 'Plate voltage above is for' },
          {
            type: 'list',
            path: 'positions',
            label: 'Positions',
            item: 'position',
            fresh: { name: '' },
            fields: [
              { type: 'text', path: 'name', label: 'Position' },
              number('plateVoltageRestDcV', 'Plate voltage at rest', 'V'),
            ],
          },
        ],
      },
      {
        type: 'group',
        path: 'matcher',
        label: 'Matcher in it or behind it',
        optional: { reachSwr: 3, switching: 'BY_HAND' },
        fields: [
          number('leastW', 'Tunes from', 'W'),
          number('mostW', 'Tuned with up to', 'W'),
          number('reachSwr', 'Reaches an SWR of', ''),
          {
            type: 'choice',
            path: 'switching',
            label: 'Band, keying and level',
            options: [
              ['BY_HAND', 'by hand'],
              ['MAKERS_CABLE', 'by the maker’s cable'],
            ],
          },
        ],
      },
      {
        type: 'group',
        path: 'mains',
        label: 'Mains',
        optional: { voltageAcRmsV: 230 },
        fields: [number('voltageAcRmsV', 'Voltage', 'V'), number('currentAcRmsA', 'Current at full output', 'A')],
      },
    ],
  },
  exciter: {
    name: 'Exciter',
    fresh: { kind: 'exciter', name: '', powerAccuracyFraction: 0.05, trDelayS: 0.03, powerByMode: [] },
    fields: [
      name,
      number('powerMinW', 'Lowest power', 'W'),
      number('powerMaxW', 'Highest power', 'W'),
      number('powerAccuracyFraction', 'Set power is right within ±', '%', { inUnit: 0.01 }),
      number('trDelayS', 'T/R delay', 'ms', { inUnit: 0.001 }),
      { type: 'text', path: 'firmware', label: 'Firmware, as the set shows it', optional: true },
      {
        type: 'group',
        path: 'powerStep',
        label: 'Set in steps',
        optional: { scale: 'WATT', size: 1 },
        fields: [
          number('size', 'Each step', ''),
          {
            type: 'choice',
            path: 'scale',
            label: 'It shows',
            options: [
              ['WATT', 'W'],
              ['PERCENT', '% of its highest power'],
            ],
          },
        ],
      },
      {
        type: 'list',
        path: 'powerByMode',
        label: 'Power that it remembers per mode',
        item: 'mode',
        fresh: { mode: 'SSB' },
        fields: [{ type: 'choice', path: 'mode', label: 'Mode', options: MODES }, number('powerW', 'Power', 'W')],
      },
      {
        type: 'list',
        path: 'mostByMode',
        label: 'Modes whose highest power is less',
        optional: true,
        item: 'mode',
        fresh: { mode: 'AM' },
        fields: [{ type: 'choice', path: 'mode', label: 'Mode', options: MODES }, number('powerW', 'At most', 'W')],
      },
    ],
  },
  pad: {
    name: 'Pad',
    fresh: { kind: 'pad', name: '' },
    fields: [
      name,
      number('attenuationDb', 'Attenuation, as measured', 'dB'),
      number('powerLimitW', 'Power into it, at most', 'W'),
    ],
  },
  meter: {
    name: 'Meter',
    fresh: {
      kind: 'meter',
      name: '',
      face: 'ALL_AT_ONCE',
      channels: [
        {
          role: 'OUTPUT',
          scaleUnit: 'W',
          ranges: [{ name: '' }],
          accuracy: { kind: 'ofFullScale', fraction: 0.05 },
          indication: 'AVERAGE',
          correctionFactor: 1,
        },
      ],
    },
    fields: [
      name,
      {
        type: 'choice',
        path: 'face',
        label: 'All that it reads is seen',
        options: [
          ['ALL_AT_ONCE', 'at once'],
          ['ONE_AT_A_TIME', 'one at a time, by its switch'],
        ],
      },
      {
        type: 'list',
        path: 'channels',
        label: 'What it reads',
        item: 'reading',
        fresh: {
          role: 'PLATE_CURRENT',
          scaleUnit: 'A',
          ranges: [{ name: '' }],
          accuracy: { kind: 'ofFullScale', fraction: 0.03 },
          indication: 'AVERAGE',
          correctionFactor: 1,
        },
        fields: [
          {
            type: 'choice',
            path: 'role',
            label: 'Reads',
            options: ROLES,
            sets: (role) => ({ scaleUnit: scalesOf(role)[0]?.[0] }),
          },
          {
            type: 'choice',
            path: 'scaleUnit',
            label: 'Scale in',
            options: [...WATTS, ...AMPERES, ...VOLTS, ...DEGREES, ...RATIOS, ...MARKS, ...HERTZ],
            among: (channel) => scalesOf(String(channel.role)),
          },
          {
            type: 'choice',
            path: 'indication',
            label: 'Shows',
            options: [
              ['AVERAGE', 'average'],
              ['PEAK_PASSIVE', 'peak, passive'],
              ['PEAK_HOLD', 'peak, powered hold'],
            ],
          },
          ACCURACY,
          number('correctionFactor', 'Own correction, times', '', { hint: '1 where never compared' }),
          {
            type: 'list',
            path: 'ranges',
            label: 'Ranges',
            item: 'range',
            fresh: { name: '' },
            fields: [
              { type: 'text', path: 'name', label: 'Name on the switch' },
              number('fullScale', 'Full scale', 'in W, A or V'),
            ],
          },
        ],
      },
    ],
  },
  load: {
    name: 'Dummy load',
    fresh: { kind: 'load', name: '' },
    fields: [
      name,
      number('resistanceColdOhm', 'Measured resistance, cold', 'Ω'),
      number('powerLimitW', 'Power, at most', 'W'),
      {
        type: 'group',
        path: 'thermal',
        label: 'How it warms',
        optional: { timeConstantS: 1800, temperatureLimitC: 100 },
        fields: [
          number('resistanceKPerW', 'Rise at rest', 'K/W'),
          number('timeConstantS', 'Time constant', 's'),
          number('temperatureLimitC', 'Hottest', '°C'),
        ],
      },
    ],
  },
  antenna: {
    name: 'Antenna',
    fresh: { kind: 'antenna', name: '', bands: [{ band: 'MHZ_7', lineLossDb: 0 }] },
    fields: [
      name,
      {
        type: 'list',
        path: 'bands',
        label: 'Bands',
        item: 'band',
        fresh: { band: 'MHZ_14', lineLossDb: 0 },
        fields: [
          { type: 'choice', path: 'band', label: 'Band', options: BANDS },
          number('swr', 'SWR at the station', ''),
          number('lineLossDb', 'Loss of the line', 'dB'),
        ],
      },
    ],
  },
  instrument: {
    name: 'Instrument',
    fresh: { kind: 'instrument', name: '', host: '127.0.0.1', factor: 1, role: 'OUTPUT', pollS: 0.05, timeoutS: 0.5 },
    fields: [
      name,
      { type: 'text', path: 'host', label: 'Host' },
      number('port', 'Port', '', { hint: 'of the bench: 1 to 7' }),
      { type: 'text', path: 'query', label: 'Query, ended by ?' },
      number('factor', 'Answer times', 'to W, A or V'),
      { type: 'text', path: 'meter', label: 'Stands for the meter' },
      { type: 'choice', path: 'role', label: 'Its reading of', options: ROLES },
      number('pollS', 'Asked every', 's'),
      number('timeoutS', 'Answers within', 's'),
    ],
  },
  supply: {
    name: 'Supply',
    fresh: {
      kind: 'supply',
      name: '',
      type: 'SWITCHING',
      voltageV: 13.8,
      sourceOhm: 0.005,
      intermittentShare: 1,
      efficiency: 0.85,
      powerFactor: 0.9,
      idleW: 5,
    },
    fields: [
      name,
      {
        type: 'choice',
        path: 'type',
        label: 'Kind',
        options: [
          ['LINEAR', 'linear'],
          ['SWITCHING', 'switching'],
          ['BATTERY', 'battery'],
          ['COMPUTER', "a computer's"],
          ['LIGHTING', 'for lighting'],
        ],
      },
      number('voltageV', 'Voltage without load', 'V'),
      number('sourceOhm', 'Falls with current by', 'mΩ', {
        inUnit: 0.001,
        hint: 'from a measured profile; 5 where unknown',
      }),
      number('continuousA', 'Continuous current', 'A', { hint: 'the printed figure may be the other one' }),
      number('intermittentA', 'Intermittent current', 'A'),
      number('intermittentShare', 'of ten minutes', '%', { inUnit: 0.01 }),
      number('efficiency', 'Efficiency', '%', { inUnit: 0.01, hint: 'switching 85, linear 55' }),
      number('powerFactor', 'Power factor', '', { hint: '0.6 where nothing corrects it' }),
      number('idleW', 'From the mains with nothing connected', 'W'),
      number('inrushPeakA', 'Inrush at the mains', 'A', { optional: true }),
      {
        type: 'group',
        path: 'adjustable',
        label: 'Can be set',
        optional: { lowestV: 12, highestV: 15 },
        fields: [number('lowestV', 'from', 'V'), number('highestV', 'to', 'V')],
      },
      number('weightKg', 'Weight', 'kg', { optional: true }),
      number('price', 'Price', '', { optional: true }),
    ],
  },
  battery: {
    name: 'Battery',
    fresh: { kind: 'battery', name: '', chemistry: 'LITHIUM_IRON_PHOSPHATE', cells: 4, ratedHours: 20 },
    fields: [
      name,
      {
        type: 'choice',
        path: 'chemistry',
        label: 'Chemistry',
        options: [
          ['LEAD_FLOODED', 'lead, flooded'],
          ['LEAD_SEALED', 'lead, sealed'],
          ['LITHIUM_IRON_PHOSPHATE', 'lithium iron phosphate'],
          ['LITHIUM_ION', 'lithium ion'],
          ['NICKEL_METAL_HYDRIDE', 'nickel metal hydride'],
        ],
      },
      number('cells', 'Cells in series', ''),
      number('capacityC', 'Capacity', 'Ah', { inUnit: 3600 }),
      number('ratedHours', 'drawn in', 'h', { hint: '20 by custom' }),
      number('internalOhm', 'Internal resistance', 'mΩ', { inUnit: 0.001, hint: 'full, at 25 °C' }),
    ],
  },
};

/** A maker's sheet, as the twin is fitted to; a tetrode's has its screen. */
export const sheetFields = (screened: boolean): Spec[] => [
  number('amplificationFactor', `Amplification factor${screened ? ', grid to screen' : ' of the tube'}`, '', {
    optional: true,
    hint: 'where the sheet says',
  }),
  ...(screened ? [number('screenVoltageDcV', 'Screen voltage', 'V')] : []),
  number('plateVoltageRestDcV', 'Plate voltage at rest', 'V'),
  number('restingPlateCurrentA', 'Plate current at rest', 'A in all'),
  number('designQ', 'Loaded Q of the tank', '', { hint: '12 where unknown' }),
  {
    type: 'list',
    path: 'operations',
    label: 'Typical operation with a carrier, all tubes',
    item: 'point',
    fresh: {},
    fields: [
      number('plateVoltageDcV', 'Plate voltage under load', 'V'),
      number('plateCurrentA', 'Plate current', 'A'),
      number('gridCurrentA', 'Grid current', 'A'),
      ...(screened ? [number('screenCurrentA', 'Screen current', 'A', { optional: true })] : []),
      number('driveW', 'Drive', 'W'),
      number('outputW', 'Output', 'W'),
    ],
  },
  {
    type: 'list',
    path: 'bandOutputs',
    label: 'Bands with another output at that drive',
    item: 'band',
    fresh: { band: 'MHZ_28' },
    fields: [{ type: 'choice', path: 'band', label: 'Band', options: BANDS }, number('outputW', 'Output', 'W')],
  },
];

export const STATION_FIELDS: Spec[] = [
  { type: 'text', path: 'name', label: 'Name' },
  { type: 'text', path: 'callSign', label: 'Call sign' },
  number('licenceLimitW', 'Licence limit', 'W'),
  number('ambientC', 'Room temperature', '°C'),
  {
    type: 'choice',
    path: 'region',
    label: 'Band edges of',
    options: [
      ['', 'anywhere (widest)'],
      ['ONE', 'region 1: Europe, Africa, Middle East, northern Asia'],
      ['TWO', 'region 2: the Americas'],
      ['THREE', 'region 3: rest of Asia, Oceania'],
    ],
  },
];
