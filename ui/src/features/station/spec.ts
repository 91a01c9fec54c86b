import { ROLE_NAMES } from '../../parts';
import { type Form, number, type Option, type Spec } from '../../parts/form';
import { say } from '../../words';

export const BANDS: Option[] = [
  ['KHZ_137', say('station.137KHz')],
  ['KHZ_472', say('station.472KHz')],
  ['MHZ_1_8', say('station.1_8MHz')],
  ['MHZ_3_5', say('station.3_5MHz')],
  ['MHZ_5', say('station.5MHz')],
  ['MHZ_7', say('station.7MHz')],
  ['MHZ_10', say('station.10MHz')],
  ['MHZ_14', say('station.14MHz')],
  ['MHZ_18', say('station.18MHz')],
  ['MHZ_21', say('station.21MHz')],
  ['MHZ_24', say('station.24MHz')],
  ['MHZ_28', say('station.28MHz')],
  ['MHZ_50', say('station.50MHz')],
];

const MODES: Option[] = ['CW', 'SSB', 'AM', 'FM', 'RTTY', 'DATA'].map((mode) => [mode, mode] as const);

/** What a meter can be made for; which of two in a line is the second, a run says. */
const ROLES: Option[] = Object.entries(ROLE_NAMES).filter(([role]) => role !== 'OTHER_OUTPUT');

const HERTZ: Option[] = [['HZ', 'Hz']];
const MARKS: Option[] = [['MARKS', say('station.marksBarsOrDBOf')]];

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
const RATIOS: Option[] = [['ONE', say('station.noUnit')]];
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

const name: Spec = { type: 'text', path: 'name', label: say('shared.name') };
const dial = (path: string, label: string): Spec => ({
  type: 'group',
  path,
  label,
  fields: [
    number('least', say('station.from', { label }), ''),
    number('most', say('station.to', { label }), ''),
    number('markStep', say('station.numberedEvery', { label }), ''),
  ],
});

const TUBE: Spec = {
  type: 'group',
  path: 'tube',
  label: say('station.tubeByItsSheet'),
  fields: [
    { type: 'text', path: 'name', label: say('station.type') },
    {
      type: 'choice',
      path: 'construction',
      label: say('station.kind'),
      options: [
        ['TRIODE', say('station.triode')],
        ['TETRODE', say('station.tetrode')],
      ],
    },
    number('plateDissipationW', say('station.plateDissipationEach'), 'W'),
    number('plateVoltageLimitDcV', say('station.plateVoltageAtMost'), 'V'),
    number('plateCurrentLimitA', say('station.mostPlateCurrentEach'), 'A'),
    number('gridCurrentLimitA', say('station.mostGridCurrentEach'), 'A'),
    number('screenCurrentLimitA', say('station.mostScreenCurrentEach'), 'A', {
      optional: true,
      hint: say('station.tetrodes'),
    }),
    number('warmUpS', say('shared.warmUp'), 's'),
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
  label: say('station.stage'),
  kinds: [
    {
      kind: 'tubes',
      label: say('station.tubesWithPLATEAndLOAD'),
      fresh: FRESH_TUBES,
      fields: [
        TUBE,
        number('tubeCount', say('station.tubes'), ''),
        number('plateVoltageRestDcV', say('station.plateVoltageAtRest'), 'V'),
        number('restingPlateCurrentA', say('station.plateCurrentAtRest'), 'A'),
        number('plateCurrentLimitA', say('station.mostPlateCurrentInAll'), 'A'),
        number('gridCurrentLimitA', say('station.mostGridCurrentInAll'), 'A'),
        dial('plate', 'PLATE'),
        dial('load', 'LOAD'),
        {
          type: 'choice',
          path: 'loadSense',
          label: say('station.moreOnLOADIs'),
          options: [
            ['MORE_IS_HEAVIER', say('station.heavierLessCapacitance')],
            ['MORE_IS_LIGHTER', say('station.lighterMoreCapacitance')],
          ],
        },
        number('feedThroughFraction', say('station.driveThatPassesThrough'), '%', {
          inUnit: 0.01,
          hint: say('station.cathodeDriven60To90'),
        }),
        number('tankEfficiency', say('station.tankEfficiency'), '%', {
          inUnit: 0.01,
          hint: say('station.95WhereUnknown'),
        }),
      ],
    },
    {
      kind: 'transistors',
      label: say('station.transistorsNoDials'),
      fresh: { kind: 'transistors' },
      fields: [
        number('supplyVoltageDcV', say('station.supplyVoltage'), 'V'),
        number('supplyCurrentLimitA', say('station.supplyCurrentAtMost'), 'A'),
      ],
    },
    {
      kind: 'switching',
      label: say('station.transistorsThatSwitchTheSupply'),
      fresh: { kind: 'switching', moduleCount: 1 },
      fields: [
        number('driveW', say('station.driveThatItWants'), 'W'),
        number('leastSupplyDcV', say('station.supplyVoltageAtLeast'), 'V'),
        number('mostSupplyDcV', say('station.supplyVoltageAtMost'), 'V'),
        number('supplyCurrentLimitA', say('station.supplyCurrentAtMost'), 'A'),
        number('moduleCount', say('shared.modules'), ''),
        number('sinkKPerW', say('station.heatSinkRise'), 'K/W', {
          optional: true,
          hint: say('shared.leaveEmptyWhereUnknown'),
        }),
      ],
    },
  ],
};

const ACCURACY: Spec = {
  type: 'variant',
  path: 'accuracy',
  label: say('shared.class'),
  kinds: [
    {
      kind: 'ofFullScale',
      label: say('station.ofFullScale'),
      fresh: { kind: 'ofFullScale', fraction: 0.05 },
      fields: [
        number('fraction', '±', say('station.percentOfFullScale'), {
          inUnit: 0.01,
          hint: say('station.powerMeters5PanelMeters'),
        }),
      ],
    },
    {
      kind: 'ofReading',
      label: say('station.ofReadingDigital'),
      fresh: { kind: 'ofReading', fraction: 0.01, digit: 0 },
      fields: [
        number('fraction', '±', say('station.ofReading'), { inUnit: 0.01 }),
        number('digit', say('station.andLastDigit'), '', { hint: say('station.inWAOrV') }),
      ],
    },
  ],
};

/** What can be described, with its form and what a new one begins with. */
export const KINDS: Record<string, { name: string; fields: Spec[]; fresh: Form }> = {
  amplifier: {
    name: say('shared.amplifier'),
    fresh: { kind: 'amplifier', name: '', stage: FRESH_TUBES, bands: [], chart: [] },
    fields: [
      name,
      number('driveLimitW', say('station.driveAtMost'), 'W'),
      number('ratedOutputW', say('station.outputThatTheMakerClaims'), 'W'),
      number('relayTimeS', say('station.timeItsRelayNeeds'), 'ms', {
        inUnit: 0.001,
        optional: true,
        hint: say('shared.leaveEmptyWhereUnknown'),
      }),
      { type: 'many', path: 'bands', label: say('station.bands'), options: BANDS },
      STAGE,
      {
        type: 'list',
        path: 'chart',
        inline: true,
        label: say('station.makersChart'),
        item: say('station.row'),
        fresh: { band: 'MHZ_7' },
        fields: [
          { type: 'choice', path: 'band', label: say('shared.band'), options: BANDS },
          number('plate', 'PLATE', ''),
          number('load', 'LOAD', ''),
        ],
      },
      {
        type: 'group',
        path: 'modeSwitch',
        label: say('station.cwSSBSwitchOfIts'),
        optional: { at: 'SSB', positions: [{ name: 'SSB' }, { name: 'CW' }] },
        fields: [
          { type: 'text', path: 'at', label: say('station.plateVoltageAboveIsFor') },
          {
            type: 'list',
            path: 'positions',
            inline: true,
            label: say('station.positions'),
            item: say('station.position'),
            fresh: { name: '' },
            fields: [
              { type: 'text', path: 'name', label: say('station.positionHead') },
              number('plateVoltageRestDcV', say('station.plateVoltageAtRest'), 'V'),
            ],
          },
        ],
      },
      {
        type: 'group',
        path: 'matcher',
        label: say('station.matcherInItOrBehind'),
        optional: { reachSwr: 3, switching: 'BY_HAND' },
        fields: [
          number('leastW', say('station.tunesFrom'), 'W'),
          number('mostW', say('station.tunedWithUpTo'), 'W'),
          number('reachSwr', say('station.reachesAnSWROf'), ''),
          {
            type: 'choice',
            path: 'switching',
            label: say('station.bandKeyingAndLevel'),
            options: [
              ['BY_HAND', say('station.byHand')],
              ['MAKERS_CABLE', say('station.byTheMakerSCable')],
            ],
          },
        ],
      },
      {
        type: 'group',
        path: 'mains',
        label: say('shared.mains'),
        optional: { voltageAcRmsV: 230 },
        fields: [
          number('voltageAcRmsV', say('shared.voltage'), 'V'),
          number('currentAcRmsA', say('shared.currentAtFullOutput'), 'A'),
        ],
      },
    ],
  },
  exciter: {
    name: say('shared.exciter'),
    fresh: { kind: 'exciter', name: '', powerAccuracyFraction: 0.05, trDelayS: 0.03, powerByMode: [] },
    fields: [
      name,
      number('powerMinW', say('station.lowestPower'), 'W'),
      number('powerMaxW', say('station.highestPower'), 'W'),
      number('powerAccuracyFraction', say('station.setPowerIsRightWithin'), '%', { inUnit: 0.01 }),
      number('trDelayS', say('station.tRDelay'), 'ms', { inUnit: 0.001 }),
      { type: 'text', path: 'firmware', label: say('station.firmwareAsTheSetShows'), optional: true },
      {
        type: 'group',
        path: 'powerStep',
        label: say('station.setInSteps'),
        optional: { scale: 'WATT', size: 1 },
        fields: [
          number('size', say('station.eachStep'), ''),
          {
            type: 'choice',
            path: 'scale',
            label: say('station.itShows'),
            options: [
              ['WATT', 'W'],
              ['PERCENT', say('station.ofItsHighestPower')],
            ],
          },
        ],
      },
      {
        type: 'list',
        path: 'powerByMode',
        inline: true,
        label: say('station.powerThatItRemembersPer'),
        item: say('station.mode'),
        fresh: { mode: 'SSB' },
        fields: [
          { type: 'choice', path: 'mode', label: say('shared.mode'), options: MODES },
          number('powerW', say('shared.power'), 'W'),
        ],
      },
      {
        type: 'list',
        path: 'mostByMode',
        inline: true,
        label: say('station.modesWhoseHighestPowerIs'),
        optional: true,
        item: say('station.mode'),
        fresh: { mode: 'AM' },
        fields: [
          { type: 'choice', path: 'mode', label: say('shared.mode'), options: MODES },
          number('powerW', say('station.atMost'), 'W'),
        ],
      },
    ],
  },
  pad: {
    name: say('shared.pad'),
    fresh: { kind: 'pad', name: '' },
    fields: [
      name,
      number('attenuationDb', say('station.attenuationAsMeasured'), 'dB'),
      number('powerLimitW', say('station.powerIntoItAtMost'), 'W'),
    ],
  },
  meter: {
    name: say('shared.meter'),
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
        label: say('station.allThatItReadsIs'),
        options: [
          ['ALL_AT_ONCE', say('station.atOnce')],
          ['ONE_AT_A_TIME', say('station.oneAtATimeBy')],
        ],
      },
      {
        type: 'list',
        path: 'channels',
        beside: true,
        label: say('station.whatItReads'),
        item: say('station.reading'),
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
            label: say('station.reads'),
            options: ROLES,
            sets: (role) => ({ scaleUnit: scalesOf(role)[0]?.[0] }),
          },
          {
            type: 'choice',
            path: 'scaleUnit',
            label: say('station.scaleIn'),
            options: [...WATTS, ...AMPERES, ...VOLTS, ...DEGREES, ...RATIOS, ...MARKS, ...HERTZ],
            among: (channel) => scalesOf(String(channel.role)),
          },
          {
            type: 'choice',
            path: 'indication',
            label: say('station.shows'),
            options: [
              ['AVERAGE', say('shared.average')],
              ['PEAK_PASSIVE', say('station.peakPassive')],
              ['PEAK_HOLD', say('station.peakHold')],
            ],
          },
          ACCURACY,
          number('correctionFactor', say('station.ownCorrectionTimes'), '', {
            hint: say('station.1WhereNeverCompared'),
          }),
          {
            type: 'list',
            path: 'ranges',
            inline: true,
            label: say('station.ranges'),
            item: say('station.range'),
            fresh: { name: '' },
            fields: [
              { type: 'text', path: 'name', label: say('station.nameOnTheSwitch') },
              number('fullScale', say('station.fullScale'), say('station.inWAOrV')),
            ],
          },
        ],
      },
    ],
  },
  load: {
    name: say('shared.dummyLoad'),
    fresh: { kind: 'load', name: '' },
    fields: [
      name,
      number('resistanceColdOhm', say('station.measuredResistanceCold'), 'Ω'),
      number('powerLimitW', say('station.powerAtMost'), 'W'),
      {
        type: 'group',
        path: 'thermal',
        label: say('station.howItWarms'),
        optional: { timeConstantS: 1800, temperatureLimitC: 100 },
        fields: [
          number('resistanceKPerW', say('station.riseAtRest'), 'K/W'),
          number('timeConstantS', say('station.timeConstant'), 's'),
          number('temperatureLimitC', say('station.hottest'), '°C'),
        ],
      },
    ],
  },
  antenna: {
    name: say('station.antenna'),
    fresh: { kind: 'antenna', name: '', bands: [{ band: 'MHZ_7', lineLossDb: 0 }] },
    fields: [
      name,
      {
        type: 'list',
        path: 'bands',
        inline: true,
        label: say('station.bands'),
        item: say('shared.bandWithin'),
        fresh: { band: 'MHZ_14', lineLossDb: 0 },
        fields: [
          { type: 'choice', path: 'band', label: say('shared.band'), options: BANDS },
          number('swr', say('station.swrAtTheStation'), ''),
          number('lineLossDb', say('station.lossOfTheLine'), 'dB'),
        ],
      },
    ],
  },
  instrument: {
    name: say('station.instrument'),
    fresh: {
      kind: 'instrument',
      name: '',
      host: '127.0.0.1',
      queries: [{ factor: 1, role: 'OUTPUT' }],
      pollS: 0.05,
      timeoutS: 0.5,
    },
    fields: [
      name,
      { type: 'text', path: 'host', label: say('station.host') },
      number('port', say('station.port'), '', { hint: say('station.ofTheBench1To') }),
      number('pollS', say('station.askedEvery'), 's'),
      number('timeoutS', say('station.answersWithin'), 's'),
      {
        type: 'list',
        path: 'queries',
        inline: true,
        label: say('station.whatItIsAsked'),
        item: say('station.query'),
        fresh: { factor: 1, role: 'PLATE_CURRENT' },
        fields: [
          { type: 'text', path: 'query', label: say('station.queryEndedBy') },
          number('factor', say('station.answerTimes'), say('station.toWAOrV')),
          { type: 'text', path: 'meter', label: say('station.standsForTheMeter') },
          { type: 'choice', path: 'role', label: say('station.itsReadingOf'), options: ROLES },
        ],
      },
    ],
  },
  supply: {
    name: say('shared.supply'),
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
        label: say('station.kind'),
        options: [
          ['LINEAR', say('station.linear')],
          ['SWITCHING', say('station.switching')],
          ['BATTERY', say('station.battery')],
          ['COMPUTER', say('station.aComputers')],
          ['LIGHTING', say('station.forLighting')],
        ],
      },
      number('voltageV', say('station.voltageWithoutLoad'), 'V'),
      number('sourceOhm', say('station.fallsWithCurrentBy'), 'mΩ', {
        inUnit: 0.001,
        hint: say('station.fromAMeasuredProfile'),
      }),
      number('continuousA', say('station.continuousCurrent'), 'A', { hint: say('station.thePrintedFigureMayBe') }),
      number('intermittentA', say('station.intermittentCurrent'), 'A'),
      number('intermittentShare', say('station.ofTenMinutes'), '%', { inUnit: 0.01 }),
      number('efficiency', say('shared.efficiencyHead'), '%', {
        inUnit: 0.01,
        hint: say('station.switching85Linear55'),
      }),
      number('powerFactor', say('station.powerFactor'), '', { hint: say('station.06WhereNothingCorrects') }),
      number('idleW', say('station.fromTheMainsWithNothing'), 'W'),
      number('inrushPeakA', say('station.inrushAtTheMains'), 'A', { optional: true }),
      {
        type: 'group',
        path: 'adjustable',
        label: say('station.canBeSet'),
        optional: { lowestV: 12, highestV: 15 },
        fields: [number('lowestV', say('station.fromAlone'), 'V'), number('highestV', say('station.toAlone'), 'V')],
      },
      number('weightKg', say('station.weight'), 'kg', { optional: true }),
      number('price', say('station.price'), '', { optional: true }),
    ],
  },
  battery: {
    name: say('shared.battery'),
    fresh: { kind: 'battery', name: '', chemistry: 'LITHIUM_IRON_PHOSPHATE', cells: 4, ratedHours: 20 },
    fields: [
      name,
      {
        type: 'choice',
        path: 'chemistry',
        label: say('station.chemistry'),
        options: [
          ['LEAD_FLOODED', say('station.leadFlooded')],
          ['LEAD_SEALED', say('station.leadSealed')],
          ['LITHIUM_IRON_PHOSPHATE', say('station.lithiumIronPhosphate')],
          ['LITHIUM_ION', say('station.lithiumIon')],
          ['NICKEL_METAL_HYDRIDE', say('station.nickelMetalHydride')],
        ],
      },
      number('cells', say('station.cellsInSeries'), ''),
      number('capacityC', say('station.capacity'), 'Ah', { inUnit: 3600 }),
      number('ratedHours', say('station.drawnIn'), 'h', { hint: say('station.20ByCustom') }),
      number('internalOhm', say('station.internalResistance'), 'mΩ', { inUnit: 0.001, hint: say('station.fullAt25C') }),
    ],
  },
  candidate: {
    name: say('station.candidate'),
    fresh: { kind: 'candidate', name: '', claim: 'NOT_SAID', stillMade: 'UNKNOWN', inspected: [] },
    fields: [
      name,
      number('claimW', say('station.outputThatIsClaimed'), 'W'),
      {
        type: 'choice',
        path: 'claim',
        label: say('station.howItWasGot'),
        options: [
          ['NOT_SAID', say('station.notSaid')],
          ['PULSED', say('station.pulsed')],
          ['CARRIER', say('station.withACarrier')],
          ['SPEECH', say('station.inSpeech')],
        ],
      },
      {
        type: 'group',
        path: 'tubes',
        label: say('station.itsTubes'),
        optional: { count: 2 },
        fields: [
          number('count', say('station.howMany'), ''),
          number('plateDissipationPerTubeW', say('station.plateDissipationEach'), 'W'),
        ],
      },
      {
        type: 'group',
        path: 'operation',
        label: say('station.typicalOperation'),
        optional: {},
        fields: [
          number('plateVoltageDcV', say('station.plateVoltageUnderLoad'), 'V'),
          number('plateCurrentA', say('station.plateCurrent'), 'A'),
          number('outputW', say('shared.outputHead'), 'W'),
        ],
      },
      number('priceNew', say('station.priceNew'), '', { optional: true, hint: say('station.inYourMoney') }),
      number('priceUsed', say('station.priceUsed'), '', { optional: true }),
      number('tubeSetPrice', say('station.priceOfATubeSet'), '', { optional: true }),
      {
        type: 'choice',
        path: 'stillMade',
        label: say('station.tubesStillMade'),
        options: [
          ['UNKNOWN', say('station.notKnown')],
          ['MADE', say('station.yes')],
          ['NOT_MADE', say('station.noLonger')],
        ],
      },
      number('weightKg', say('station.weight'), 'kg', { optional: true }),
      {
        type: 'choice',
        path: 'origin',
        label: say('station.origin'),
        options: [
          ['', say('station.notKnown')],
          ['SOLD_HERE', say('station.soldHere')],
          ['IMPORTED', say('station.imported')],
        ],
      },
      { type: 'text', path: 'delivery', label: say('station.howItGetsHere'), optional: true },
      {
        type: 'list',
        path: 'inspected',
        beside: true,
        label: say('station.lookedAt'),
        item: say('station.pointLookedAt'),
        fresh: { point: 'BAND_SWITCH', state: 'GOOD' },
        fields: [
          {
            type: 'choice',
            path: 'point',
            label: say('station.whichPoint'),
            options: [
              ['BAND_SWITCH', say('station.lookBandSwitch')],
              ['SWITCH_CONTACTS', say('station.lookSwitchContacts')],
              ['CAPACITOR_PLATES', say('station.lookCapacitorPlates')],
              ['GEAR_REDUCTION', say('station.lookGearReduction')],
              ['BLOWER', say('station.lookBlower')],
              ['CHIMNEYS', say('station.lookChimneys')],
              ['CAPACITORS_AGE', say('station.lookCapacitorsAge')],
              ['RELAY', say('station.lookRelay')],
              ['OWNERS', say('station.lookOwners')],
              ['UNMODIFIED', say('station.lookUnmodified')],
            ],
          },
          {
            type: 'choice',
            path: 'state',
            label: say('station.found'),
            options: [
              ['', say('station.notJudged')],
              ['GOOD', say('station.good')],
              ['WORN', say('station.worn')],
              ['BAD', say('station.bad')],
            ],
          },
          { type: 'text', path: 'note', label: say('station.whatWasSeen'), optional: true, most: 400 },
        ],
      },
    ],
  },
};

/** A maker's sheet, as the twin is fitted to; a tetrode's has its screen. */
export const sheetFields = (screened: boolean): Spec[] => [
  number(
    'amplificationFactor',
    say('station.amplificationFactor', { tube: screened ? say('station.gridToScreen') : say('station.ofTheTube') }),
    '',
    {
      optional: true,
      hint: say('station.whereTheSheetSays'),
    },
  ),
  ...(screened ? [number('screenVoltageDcV', say('station.screenVoltage'), 'V')] : []),
  number('plateVoltageRestDcV', say('station.plateVoltageAtRest'), 'V'),
  number('restingPlateCurrentA', say('station.plateCurrentAtRest'), say('station.aInAll')),
  number('designQ', say('station.loadedQOfTheTank'), '', { hint: say('station.12WhereUnknown') }),
  {
    type: 'list',
    path: 'operations',
    label: say('station.typicalOperationWithACarrier'),
    item: say('shared.point'),
    fresh: {},
    fields: [
      number('plateVoltageDcV', say('station.plateVoltageUnderLoad'), 'V'),
      number('plateCurrentA', say('station.plateCurrent'), 'A'),
      number('gridCurrentA', say('station.gridCurrent'), 'A'),
      ...(screened ? [number('screenCurrentA', say('station.screenCurrent'), 'A', { optional: true })] : []),
      number('driveW', say('shared.drive'), 'W'),
      number('outputW', say('shared.outputHead'), 'W'),
    ],
  },
  {
    type: 'list',
    path: 'bandOutputs',
    inline: true,
    label: say('station.bandsWithAnotherOutputAt'),
    item: say('shared.bandWithin'),
    fresh: { band: 'MHZ_28' },
    fields: [
      { type: 'choice', path: 'band', label: say('shared.band'), options: BANDS },
      number('outputW', say('shared.outputHead'), 'W'),
    ],
  },
];

export const STATION_FIELDS: Spec[] = [
  { type: 'text', path: 'name', label: say('shared.name') },
  { type: 'text', path: 'callSign', label: say('station.callSign') },
  number('licenceLimitW', say('station.licenceLimit'), 'W'),
  number('ambientC', say('station.roomTemperature'), '°C'),
  {
    type: 'choice',
    path: 'region',
    label: say('station.bandEdgesOf'),
    options: [
      ['', say('station.anywhereWidest')],
      ['ONE', say('station.region1EuropeAfricaMiddle')],
      ['TWO', say('station.region2TheAmericas')],
      ['THREE', say('station.region3RestOfAsia')],
    ],
  },
];
