import { setting } from '../parts';

export type Theme = 'day' | 'lamp';

// The page's own first script has set it before anything was painted.
const theme = setting<Theme>(
  'tubrin.theme',
  () => (document.documentElement.dataset.theme === 'lamp' ? 'lamp' : 'day'),
  (chosen) => chosen,
);

export const useTheme = theme.use;

export function toggleTheme(): void {
  const next: Theme = theme.now() === 'lamp' ? 'day' : 'lamp';
  document.documentElement.dataset.theme = next;
  theme.set(next);
}
