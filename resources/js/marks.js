// An annotation that is edited fills the form that adds one.
document.addEventListener('click', (event) => {
    const button = event.target.closest?.('[data-edit-mark]');
    if (!button) return;
    const form = document.querySelector('#set-marks form');
    for (const [name, value] of Object.entries(JSON.parse(button.dataset.mark))) {
        const field = form.elements[`settings[${name}]`];
        if (field) field.value = value ?? '';
    }
    form.elements.number.value = button.dataset.editMark;
    form.classList.add('editing');
    form.elements['settings[kind]'].focus();
});
document.addEventListener('reset', (event) => {
    if (!event.target.matches?.('#set-marks form')) return;
    event.target.classList.remove('editing');
    // A reset leaves hidden fields as they are.
    event.target.elements.number.value = '';
});
