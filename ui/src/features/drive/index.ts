export { DrivePage as default } from './DrivePage';
