// What is cut, runs off the screen or out of its drawing, or is too small to be tapped. Called with the least size of a target, px.
(least) => {
  const found = [];
  const shown = (e) =>
    getComputedStyle(e).visibility !== "hidden" && e.getClientRects().length > 0 && !e.closest(".sr-only");
  const named = (e) => `${e.tagName.toLowerCase()} "${(e.textContent ?? "").trim().slice(0, 40)}"`;
  const within = (inner, outer) =>
    inner.left >= outer.left - 2 &&
    inner.right <= outer.right + 2 &&
    inner.top >= outer.top - 2 &&
    inner.bottom <= outer.bottom + 2;
  const scrolls = (e) => /auto|scroll/.test(getComputedStyle(e).overflowX + getComputedStyle(e).overflowY);
  const above = (e) => {
    const all = [];
    for (let p = e.parentElement; p && p !== document.body; p = p.parentElement) all.push(p);
    return all;
  };
  const textBox = (e) => {
    if (e instanceof SVGElement) return e.getBoundingClientRect();
    const range = document.createRange();
    range.selectNodeContents(e);
    return range.getBoundingClientRect();
  };

  if (document.documentElement.scrollWidth > innerWidth) found.push("the page scrolls sideways");
  for (const e of document.querySelectorAll("body *")) {
    const own = [...e.childNodes].some((n) => n.nodeType === Node.TEXT_NODE && n.textContent.trim() !== "");
    if (!own || !shown(e) || e.closest(".truncate")) continue;
    const box = textBox(e);
    const drawing = e.ownerSVGElement;
    if (drawing && !within(box, drawing.getBoundingClientRect())) found.push(`out of its drawing: ${named(e)}`);
    const parents = above(e);
    const screen = { left: 0, right: innerWidth, top: -Infinity, bottom: Infinity };
    if (!parents.some(scrolls) && !within(box, screen)) found.push(`off the screen: ${named(e)}`);
    const cuts = parents.find((p) => scrolls(p) || /hidden|clip/.test(getComputedStyle(p).overflow));
    if (!drawing && cuts && !scrolls(cuts) && !within(box, cuts.getBoundingClientRect())) found.push(`cut: ${named(e)}`);
  }
  const targets = "button, a[href], input, select, textarea, summary, [role=radio], [role=option]";
  for (const e of document.querySelectorAll(targets)) {
    const inSentence = e.tagName === "A" && getComputedStyle(e).display === "inline";
    if (!shown(e) || inSentence) continue;
    const box = (e.closest("label") ?? e).getBoundingClientRect();
    const size = e.closest("header, [role=dialog]") ? Math.min(least, 44) : least;
    if (box.height < size - 0.5 || box.width < 43.5)
      found.push(`small, ${Math.round(box.width)} × ${Math.round(box.height)} px: ${named(e)}`);
  }
  return [...new Set(found)];
};
