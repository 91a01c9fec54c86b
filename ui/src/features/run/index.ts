export { RunPage as default } from './RunPage';
