export { show } from './show';
