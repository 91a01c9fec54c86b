export { LogPage as default } from './LogPage';
