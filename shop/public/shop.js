// What the page does when a shopper uses the element in it.
const send = async (path, fields) => {
  const form = document.createElement('form');
  form.method = 'post';
  form.action = path;
  for (const [name, value] of Object.entries(fields)) {
    const field = document.createElement('input');
    field.type = 'hidden';
    field.name = name;
    field.value = value;
    form.append(field);
  }
  document.body.append(form);
  form.submit();
};
addEventListener('add', ({ detail }) => send('/cart/add', { product: detail.product, pieces: detail.quantity }));
addEventListener('choose', ({ detail }) => {
  const body = new URLSearchParams({ option: detail.option.id });
  void fetch('/checkout/option', { method: 'POST', body, redirect: 'manual' });
});
