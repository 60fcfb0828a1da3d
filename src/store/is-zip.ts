/** Whether a file is packed, as a workspace is; told from how it begins. */
export async function isZip(file: Blob): Promise<boolean> {
  return (await file.slice(0, 2).text()) === 'PK';
}
