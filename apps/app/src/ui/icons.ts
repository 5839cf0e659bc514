// One import a file: the package's index would bring every icon into the page.
export { default as Check } from 'lucide-react-native/icons/check';
export { default as X } from 'lucide-react-native/icons/x';
export { default as ChevronLeft } from 'lucide-react-native/icons/chevron-left';
export { default as Layers } from 'lucide-react-native/icons/layers';
export { default as List } from 'lucide-react-native/icons/list';
export { default as ScrollText } from 'lucide-react-native/icons/scroll-text';
export { default as Settings2 } from 'lucide-react-native/icons/settings-2';
export { default as TriangleAlert } from 'lucide-react-native/icons/triangle-alert';
export { default as ChevronRight } from 'lucide-react-native/icons/chevron-right';
export { default as FileUp } from 'lucide-react-native/icons/file-up';
export { default as Plus } from 'lucide-react-native/icons/plus';
