export { StartPage as default } from './StartPage';
