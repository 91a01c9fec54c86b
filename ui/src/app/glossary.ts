import { say } from '../words';

/** The terms of the trade as Tubrin uses them, each with what it means. */
export const GLOSSARY: readonly (readonly [term: string, means: string])[] = [
  [say('glossary.climb'), say('glossary.climbMeans')],
  [say('glossary.keyDown'), say('glossary.keyDownMeans')],
  [say('glossary.heavier'), say('glossary.heavierMeans')],
  [say('glossary.twin'), say('glossary.twinMeans')],
  [say('glossary.roomLeft'), say('glossary.roomLeftMeans')],
  [say('glossary.sign'), say('glossary.signMeans')],
  [say('glossary.school'), say('glossary.schoolMeans')],
  [say('glossary.cardRow'), say('glossary.cardRowMeans')],
  [say('glossary.drive'), say('glossary.driveMeans')],
  [say('glossary.growth'), say('glossary.growthMeans')],
  [say('glossary.efficiency'), say('glossary.efficiencyMeans')],
  [say('glossary.heatPerTube'), say('glossary.heatPerTubeMeans')],
  [say('glossary.gain'), say('glossary.gainMeans')],
  [say('glossary.products'), say('glossary.productsMeans')],
  [say('glossary.knee'), say('glossary.kneeMeans')],
  [say('glossary.guard'), say('glossary.guardMeans')],
  [say('glossary.pad'), say('glossary.padMeans')],
  [say('glossary.plusMinus'), say('glossary.plusMinusMeans')],
];
