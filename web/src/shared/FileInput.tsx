import type { ComponentProps } from 'react';

interface Props extends Omit<ComponentProps<'input'>, 'type' | 'onChange'> {
  onFile: (file: File) => void;
}

/** Where a file is chosen; the same one may be chosen again. */
export function FileInput({ onFile, ...rest }: Props) {
  return (
    <input
      {...rest}
      type="file"
      onChange={(e) => {
        const file = e.target.files?.[0];
        if (file) onFile(file);
        e.target.value = '';
      }}
    />
  );
}
