/**
 * Prints something that is no page: a list, a part of a note. It stands on the page for as long as it is printed.
 *
 * @param html as `htmlOf` gives it: nothing but words and their form
 */
export function printPart(title: string, html: string): void {
  const paper = document.createElement('article');
  paper.id = 'paper';
  const heading = document.createElement('h1');
  heading.textContent = title;
  paper.append(heading, ...new DOMParser().parseFromString(html, 'text/html').body.childNodes);
  document.body.append(paper);
  document.documentElement.dataset['part'] = '';
  const done = (): void => {
    window.removeEventListener('afterprint', done);
    delete document.documentElement.dataset['part'];
    paper.remove();
  };
  window.addEventListener('afterprint', done);
  window.print();
}
