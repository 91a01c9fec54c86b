export { Button } from './Button';
export { FileButton } from './FileButton';
export { Kbd } from './Kbd';
export { Answer, FirstThing, Loading, Trouble } from './Messages';
export { Diamond, LimitBar } from './marks';
export { Sheet } from './Sheet';
export { SignalLine } from './SignalLine';
export { useKeys } from './useKeys';
export { useNow } from './useNow';
