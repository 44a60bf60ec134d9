/** A part of the page as an HTML file that needs nothing else: its pictures and its styles are in it. */
export function sheetFile(part: HTMLElement, title: string): string {
  const copy = part.cloneNode(true);
  if (!(copy instanceof HTMLElement)) throw new Error('A part of a page is an element');
  const drawn = part.querySelectorAll('canvas');
  // A copied canvas is empty: what was drawn on it stays behind.
  copy.querySelectorAll('canvas').forEach((canvas, i) => {
    const image = document.createElement('img');
    image.src = drawn[i].toDataURL('image/jpeg', 0.9);
    image.alt = canvas.getAttribute('aria-label') ?? '';
    image.className = canvas.className;
    image.style.cssText = canvas.style.cssText;
    canvas.replaceWith(image);
  });
  const page = document.implementation.createHTMLDocument(title);
  page.documentElement.lang = 'en';
  const charset = page.createElement('meta');
  charset.setAttribute('charset', 'utf-8');
  page.head.prepend(charset);
  const styles = page.createElement('style');
  styles.textContent = [...document.styleSheets].map(rulesOf).join('\n');
  page.head.append(styles);
  page.body.append(copy);
  return `<!doctype html>\n${page.documentElement.outerHTML}\n`;
}

/** The rules of a style sheet without those that fetch something. */
function rulesOf(sheet: CSSStyleSheet): string {
  return [...sheet.cssRules]
    .map(({ cssText }) => cssText)
    .filter((text) => !text.startsWith('@font-face') && !text.startsWith('@import'))
    .join('\n');
}
