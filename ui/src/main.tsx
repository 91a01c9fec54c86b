import '@fontsource-variable/archivo/wdth.css';
import '@fontsource/spline-sans-mono/400.css';
import '@fontsource/spline-sans-mono/600.css';
import './app/styles.css';
import { begin, wanted } from './words';

// What a file of the page says in a constant is said when it is loaded: the words come first.
const language = wanted(document.cookie, navigator.languages);
document.documentElement.lang = language;
await begin(language);
const { show } = await import('./app');
show(document.getElementById('root'));
