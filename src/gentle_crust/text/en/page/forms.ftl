forms-nameIt = Give it a name.
forms-less = Less
forms-more = More
forms-none = Nothing of that name
forms-nothing = Nothing there
forms-yes = Yes
forms-no = No
forms-close = Close
