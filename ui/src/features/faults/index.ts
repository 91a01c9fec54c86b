export { CasePage } from './CasePage';
export { FaultsPage as default } from './FaultsPage';
