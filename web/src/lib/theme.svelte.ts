type Theme = 'auto' | 'light' | 'dark';
const dark = matchMedia('(prefers-color-scheme: dark)');

class Look {
  theme = $state<Theme>((localStorage.getItem('kindwhisk.theme') as Theme | null) ?? 'auto');

  constructor() {
    this.apply();
    dark.addEventListener('change', () => this.apply());
  }

  set(theme: Theme): void {
    this.theme = theme;
    localStorage.setItem('kindwhisk.theme', theme);
    this.apply();
  }

  next(): void {
    this.set(this.theme === 'auto' ? 'light' : this.theme === 'light' ? 'dark' : 'auto');
  }

  apply(): void {
    const shown = this.theme === 'auto' ? (dark.matches ? 'dark' : 'light') : this.theme;
    document.documentElement.dataset.theme = shown;
  }
}

export const look = new Look();
