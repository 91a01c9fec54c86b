import germanBase from 'virtual:words/de/base';
import german from 'virtual:words/de/inspection';
import englishBase from 'virtual:words/en/base';
import english from 'virtual:words/en/inspection';
import spanishBase from 'virtual:words/es/base';
import spanish from 'virtual:words/es/inspection';
import type { InspectionView } from '../../../api';
import { speak, wanted } from '../../../words';

const WORDS = {
  en: { ...englishBase, ...english },
  de: { ...germanBase, ...german },
  es: { ...spanishBase, ...spanish },
};

const language = wanted('', [document.documentElement.lang]);
speak(language, WORDS[language]);
document.documentElement.dataset.theme = matchMedia('(prefers-color-scheme: dark)').matches ? 'lamp' : 'day';
const view: InspectionView = JSON.parse(document.getElementById('sheet')?.textContent ?? '');
document.title = view.name;
// What is said in a constant is said when it is loaded: the words come first.
const { show } = await import('./show');
await show(document.getElementById('root'), view);
