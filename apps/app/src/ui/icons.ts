// One import a file: the package's index would bring every icon into the page.
export { default as Check } from 'lucide-react-native/dist/esm/icons/check';
export { default as X } from 'lucide-react-native/dist/esm/icons/x';
export { default as ChevronLeft } from 'lucide-react-native/dist/esm/icons/chevron-left';
export { default as Layers } from 'lucide-react-native/dist/esm/icons/layers';
export { default as List } from 'lucide-react-native/dist/esm/icons/list';
export { default as ScrollText } from 'lucide-react-native/dist/esm/icons/scroll-text';
export { default as Settings2 } from 'lucide-react-native/dist/esm/icons/settings-2';
export { default as TriangleAlert } from 'lucide-react-native/dist/esm/icons/triangle-alert';
export { default as ChevronRight } from 'lucide-react-native/dist/esm/icons/chevron-right';
export { default as FileUp } from 'lucide-react-native/dist/esm/icons/file-up';
export { default as Plus } from 'lucide-react-native/dist/esm/icons/plus';
