export { App } from './App';
