import english from 'element-plus/es/locale/lang/en'
import { words } from '../words'

const t = words.forms

/** What Element Plus says of its own accord, in the words of the catalogues. */
export const hardware = {
  ...english,
  el: {
    ...english.el,
    inputNumber: { decrease: t.less, increase: t.more },
    select: {
      ...english.el.select,
      loading: words.loading,
      noMatch: t.none,
      noData: t.nothing,
      placeholder: '',
    },
    popconfirm: { confirmButtonText: t.yes, cancelButtonText: t.no },
    dialog: { close: t.close },
    drawer: { close: t.close },
  },
}
