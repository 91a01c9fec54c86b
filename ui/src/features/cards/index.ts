export { CardsPage as default } from './CardsPage';
