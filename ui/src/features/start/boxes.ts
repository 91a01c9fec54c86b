import type { Choices } from '../../api';
import type { Box } from '../../parts/ui';

export const box = (one: Choices['amplifiers'][number]): Box => ({
  code: one.id,
  name: one.name,
  detail: one.detail,
});

export const toggled = (ids: string[], id: string) =>
  ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id];
