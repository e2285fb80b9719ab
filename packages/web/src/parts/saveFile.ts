/** Hands a file to the browser, to be kept where it keeps such. */
export const saveBlob = (blob: Blob, name: string): void => {
  const link = document.createElement('a');
  const url = URL.createObjectURL(blob);
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
};

export const saveFile = (name: string, type: string, text: string): void =>
  saveBlob(new Blob([text], { type }), name);
