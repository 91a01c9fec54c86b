import { cx } from 'class-variance-authority';
import { extendTailwindMerge } from 'tailwind-merge';

const merge = extendTailwindMerge({
  extend: {
    theme: {
      text: ['12', '13', '14', '18', '22', '27', 'glance', 'glance-long', 'glance-figure', 'glance-small'],
      radius: ['3'],
      breakpoint: ['phone', 'wide', 'roomy'],
    },
    // Our own components of the style sheet, which no utility takes the place of.
    classGroups: { 'font-family': ['figure'], 'font-weight': ['head'] },
  },
});

/** Returns the classes together; where two say the same thing, the later one holds. */
export const cn = (...classes: Parameters<typeof cx>): string => merge(cx(...classes));
