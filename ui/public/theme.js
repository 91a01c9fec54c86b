// Sets the theme before the first paint: chosen by hand, else by the system.
(() => {
  const chosen = localStorage.getItem('tubrin.theme');
  const dark = matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = chosen ?? (dark ? 'lamp' : 'day');
})();
