/** Pins what is typed; notices live as long as the page. */
const form = document.querySelector('#pin');
const notices = document.querySelector('#notices');

form.addEventListener('submit', (event) => {
  event.preventDefault();
  const notice = document.createElement('li');
  notice.textContent = form.elements.text.value;
  notices.prepend(notice);
  form.reset();
});
