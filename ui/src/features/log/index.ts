export { ChangesPage } from './ChangesPage';
export { ComparePage } from './ComparePage';
export { LogPage as default } from './LogPage';
export { TrendsPage } from './TrendsPage';
