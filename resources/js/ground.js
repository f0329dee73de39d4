// Day or night: as the system has it until the reader says otherwise.
import { workspace } from './server.js';

export const isNight = () => {
    const said = document.documentElement.dataset.ground;
    return said ? said === 'night' : matchMedia('(prefers-color-scheme: dark)').matches;
};

document.addEventListener('click', (event) => {
    if (event.target.closest('[data-ground-switch]')) {
        const ground = isNight() ? 'day' : 'night';
        document.documentElement.dataset.ground = ground;
        document.cookie = `dusk-rail-ground=${ground};path=/;max-age=31536000;samesite=lax`;
    }
    // A picture is handed over on the ground that is on the screen.
    const link = event.target.closest('[data-hand-over]');
    if (link) link.form.elements.ground.value = isNight() ? 'night' : 'day';
    if (event.target.closest('#hand-over a, #hand-over button'))
        workspace()?.querySelector('#hand-over')?.hidePopover();
});
