# frozen_string_literal: true

# What people say of a fix's deadline and hours stays when fixes are made anew.
class KeepOwnDates < ActiveRecord::Migration[7.2]
  def change
    change_table :fixes do |table|
      table.date :own_deadline
      table.float :own_hours
    end
  end
end
