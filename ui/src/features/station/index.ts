export { FirstStation } from './FirstStation';
export { StationPage as default } from './StationPage';
