// Has axe look at the parts of the page that a selector names and returns what it finds serious or critical, in words.
async (parts) => {
  // What is on its way in or out has neither its place nor its colour yet.
  await Promise.all(document.getAnimations().map((one) => one.finished.catch(() => null)));
  const roots = [...document.querySelectorAll(parts)];

  // Contrast takes nine tenths of axe's time, and what looks alike has the same: it is asked of one of each look, rather of one in view.
  const numbers = new Map();
  const known = new Map();
  function look(element) {
    if (!element) return 0;
    if (!known.has(element)) {
      const style = getComputedStyle(element);
      const own = [style.color, style.backgroundColor, style.backgroundImage, style.opacity, style.fontSize, style.fontWeight, style.textShadow, style.position];
      const whole = own.join(' ') + ' in ' + look(element.parentElement);
      if (!numbers.has(whole)) numbers.set(whole, numbers.size + 1);
      known.set(element, numbers.get(whole));
    }
    return known.get(element);
  }
  function says(element) {
    const text = element.matches('input, select, textarea') || [...element.childNodes].some((one) => one.nodeType === Node.TEXT_NODE && one.data.trim());
    return text && element.checkVisibility();
  }
  function inView(element) {
    const { x, y, width, height } = element.getBoundingClientRect();
    return document.elementFromPoint(x + width / 2, y + height / 2) === element;
  }
  const ofEachLook = new Map();
  for (const element of roots.flatMap((root) => [root, ...root.querySelectorAll('*')]).filter(says)) {
    const other = ofEachLook.get(look(element));
    if (!other || (!inView(other) && inView(element))) ofEachLook.set(look(element), element);
  }

  const asked = [...ofEachLook.values()];
  asked.forEach((one) => one.setAttribute('data-look', ''));
  axe.configure({ rules: [{ id: 'color-contrast', selector: '[data-look]' }] });
  const found = await axe.run({ include: roots }, { resultTypes: ['violations'] });
  asked.forEach((one) => one.removeAttribute('data-look'));
  return found.violations
    .filter((rule) => ['serious', 'critical'].includes(rule.impact))
    .map((rule) => rule.id + ': ' + rule.nodes.slice(0, 3).map((node) => node.html));
}
