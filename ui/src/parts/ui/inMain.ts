/** Returns where what opens over the page stands in the document: in its main part, as all that is read of a view. */
export const inMain = (): HTMLElement | null => document.getElementById('main');
