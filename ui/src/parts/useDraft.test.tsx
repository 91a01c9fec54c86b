import { act, renderHook } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { useDraft } from './useDraft';

const open = (revision = 1) => renderHook(() => useDraft('plan.a', revision, () => ({ lengthM: 2 })));

function leaves(lengthM: number) {
  const { result, unmount } = open();
  act(() => result.current.change({ lengthM }));
  unmount();
}

describe('what is typed and not kept', () => {
  beforeEach(() => localStorage.clear());

  it('is there again when the page is opened anew', () => {
    expect(open().result.current.value).toEqual({ lengthM: 2 });
    leaves(7);
    expect(open().result.current.value).toEqual({ lengthM: 7 });
  });

  it('can be dropped for what is kept', () => {
    leaves(7);
    const { result } = open();
    act(() => result.current.drop());
    expect(result.current.value).toEqual({ lengthM: 2 });
    expect(open().result.current.value).toEqual({ lengthM: 2 });
  });

  it('does not go over a revision that was kept since, nor over what cannot be read', () => {
    leaves(7);
    expect(open(2).result.current.value).toEqual({ lengthM: 2 });
    localStorage.setItem('tubrin.draft.plan.a', '{"of":');
    expect(open().result.current.value).toEqual({ lengthM: 2 });
  });
});
