export { SupplyPage as default } from './SupplyPage';
