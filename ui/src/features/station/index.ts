export { StationPage as default } from './StationPage';
