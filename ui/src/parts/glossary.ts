import { say } from '../words';

/** The terms of the trade as Tubrin uses them, each with what it means; their words come with the views that explain them. */
export const glossary = () =>
  ({
    climb: [say('glossary.climb'), say('glossary.climbMeans')],
    keyDown: [say('glossary.keyDown'), say('glossary.keyDownMeans')],
    heavier: [say('glossary.heavier'), say('glossary.heavierMeans')],
    twin: [say('glossary.twin'), say('glossary.twinMeans')],
    roomLeft: [say('glossary.roomLeft'), say('glossary.roomLeftMeans')],
    sign: [say('glossary.sign'), say('glossary.signMeans')],
    school: [say('glossary.school'), say('glossary.schoolMeans')],
    cardRow: [say('glossary.cardRow'), say('glossary.cardRowMeans')],
    drive: [say('glossary.drive'), say('glossary.driveMeans')],
    growth: [say('glossary.growth'), say('glossary.growthMeans')],
    efficiency: [say('glossary.efficiency'), say('glossary.efficiencyMeans')],
    heatPerTube: [say('glossary.heatPerTube'), say('glossary.heatPerTubeMeans')],
    gain: [say('glossary.gain'), say('glossary.gainMeans')],
    products: [say('glossary.products'), say('glossary.productsMeans')],
    knee: [say('glossary.knee'), say('glossary.kneeMeans')],
    guard: [say('glossary.guard'), say('glossary.guardMeans')],
    pad: [say('glossary.pad'), say('glossary.padMeans')],
    plusMinus: [say('glossary.plusMinus'), say('glossary.plusMinusMeans')],
  }) as const;

/** A term that can be explained where it stands. */
export type TermName = keyof ReturnType<typeof glossary>;
