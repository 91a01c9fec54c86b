export { InspectionPage as default } from './InspectionPage';
