export { MetersPage as default } from './MetersPage';
