// Runs before the first paint; src/ui/shared/useTheme.ts keeps the theme under this name. Without a choice the system's
// own holds.
const chosenTheme = localStorage.getItem('gilder-theme');
const systemTheme = matchMedia('(prefers-color-scheme: dark)').matches ? 'lamplight' : 'daylight';
document.documentElement.dataset.theme =
  chosenTheme === 'lamplight' || chosenTheme === 'daylight' ? chosenTheme : systemTheme;
