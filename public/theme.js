// Runs before the first paint; src/ui/shared/useTheme.ts keeps the theme under this name.
document.documentElement.dataset.theme =
  localStorage.getItem('gilder-theme') === 'lamplight' ? 'lamplight' : 'daylight';
