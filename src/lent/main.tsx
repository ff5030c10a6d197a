import { createRoot } from 'react-dom/client';
import '../ui/css/styles.css';
import { LentApp } from './LentApp';

const root = document.getElementById('root');
if (!root) throw new Error('the page has no place for what is lent');

const dark = window.matchMedia('(prefers-color-scheme: dark)');
const follow = (): void => void (document.documentElement.dataset['theme'] = dark.matches ? 'dark' : 'light');
dark.addEventListener('change', follow);
follow();
document.documentElement.dataset['paper'] = 'plain';

createRoot(root).render(<LentApp />);
