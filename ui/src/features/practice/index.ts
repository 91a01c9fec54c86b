export { DebriefPage } from './DebriefPage';
export { PlayPage } from './PlayPage';
export { PracticePage as default } from './PracticePage';
